export { BookRoom as default } from '../features/book/BookRoom';
