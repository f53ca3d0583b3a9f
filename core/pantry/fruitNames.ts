/** Fruit that is bought whole. */
export const FRUITS = [
  'apple',
  'pear',
  'plum',
  'apricot',
  'sour cherry',
  'strawberry',
  'raspberry',
  'mango',
  'rhubarb',
  'orange',
] as const;
export type Fruit = (typeof FRUITS)[number];
