export { CardRoom as default } from '../features/plan/CardRoom';
