export { StartRoom as default } from '../features/plan/StartRoom';
