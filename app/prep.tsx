export { PrepRoom as default } from '../features/prep/PrepRoom';
