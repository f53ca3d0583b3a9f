export { LabelRoom as default } from '../features/set/LabelRoom';
