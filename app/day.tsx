export { DayRoom as default } from '../features/day/DayRoom';
