export { ShoppingRoom as default } from '../features/day/ShoppingRoom';
