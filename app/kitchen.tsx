export { KitchenRoom as default } from '../features/book/KitchenRoom';
