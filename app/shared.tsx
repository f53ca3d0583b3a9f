export { SharedRoom as default } from '../features/plan/SharedRoom';
