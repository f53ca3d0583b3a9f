export { PracticeRoom as default } from '../features/practice/PracticeRoom';
