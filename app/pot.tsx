export { PotRoom as default } from '../features/pot/PotRoom';
