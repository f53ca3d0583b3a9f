export { LiningRoom as default } from '../features/plan/LiningRoom';
