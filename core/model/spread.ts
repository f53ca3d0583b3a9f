import { table } from '../coefficients';

/** Spread of a kitchen and of the model, 1 sd each. */
export const SPREAD = table('Spread of kitchens and of the model', {
  sugar: [0.06, '1', 'B', 'sugar, relative'],
  egg: [0.05, '1', 'B', 'egg mass, relative'],
  hob: [0.2, '1', 'B', 'net power of a setting, relative'],
  evaporation: [0.25, '1', 'B', 'evaporation, relative'],
  minutes: [0.15, '1', 'B', '"minutes", relative'],
  stirLn: [0.5, '1', 'B', 'stirring interval, ln'],
  startK: [4, 'K', 'B', 'start temperature'],
  grain: [0.25, '1', 'B', 'size of ground grain, relative'],
  kernel: [0.07, '1', 'B', 'size of whole kernels, relative: a packet is even'],
  consistency: [0.15, '1', 'B', 'consistency of the paste, ln'],
  hotWord: [0.62, '1', 'C', 'what is called by a word in the hot pot, ln viscosity; fitted: 8 rows of 10 lie within'],
  curdK: [1.2, 'K', 'C', 'curdling threshold; fitted: one cook in ten to 84 degC, half to 86'],
});
