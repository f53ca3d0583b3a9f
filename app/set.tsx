export { SetRoom as default } from '../features/set/SetRoom';
