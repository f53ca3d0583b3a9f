export { PlanRoom as default } from '../features/plan/PlanRoom';
