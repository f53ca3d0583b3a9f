import { dishAreaM2, type Dish } from '../pantry/kitchen';

/** Air around a dish on the shelf, as a multiple of its own foot (C). */
const AROUND = 1.25;
/** One shelf of a household fridge, cm2 of it that is free for a dish (C). */
export const SHELF_CM2 = 1600;

/** Shelf that all dishes of a plan take, cm2. */
export const fridgeCm2 = (dish: Dish): number => Math.ceil(dishAreaM2(dish) * 1e4 * dish.count * AROUND);
