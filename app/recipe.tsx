export { RecipeRoom as default } from '../features/plan/RecipeRoom';
