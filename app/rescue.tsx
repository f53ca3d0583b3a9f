export { RescueRoom as default } from '../features/rescue/RescueRoom';
