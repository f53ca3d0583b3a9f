export { CompareRoom as default } from '../features/plan/CompareRoom';
