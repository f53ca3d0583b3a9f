export { BatchPage as default } from '../features/book/BatchPage';
