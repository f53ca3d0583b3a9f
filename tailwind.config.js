const colour = (name) => `rgb(var(--${name}) / <alpha-value>)`;
const names = [
  'field',
  'sunk',
  'plate',
  'ink',
  'ink2',
  'line',
  'yolk',
  'onyolk',
  'scorch',
  'onscorch',
  'cool',
  'coolF',
  'bay',
  'bayF',
  'dishH',
  'onH',
  'liquid',
  'liquid2',
  'gran',
];

/** Sizes are rem so that the reader's own text size is followed. */
module.exports = {
  content: ['./app/**/*.{ts,tsx}', './features/**/*.{ts,tsx}', './ui/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    screens: { mid: '600px', wide: '900px', flat: { raw: '(max-height: 520px) and (orientation: landscape)' } },
    extend: {
      colors: Object.fromEntries(names.map((n) => [n, colour(n)])),
      fontFamily: {
        title: ['Sansita'],
        text: ['var(--font-text)'],
      },
      fontSize: {
        small: ['0.875rem', '1.15rem'],
        base: ['1rem', '1.35rem'],
        key: ['1.125rem', '1.35rem'],
        title: ['1.25rem', '1.5rem'],
        amount: ['1.625rem', '1.9rem'],
        answer: ['2.875rem', '3rem'],
        instruction: ['2.375rem', '2.5rem'],
        number: ['3.625rem', '3.7rem'],
      },
      borderRadius: { key: '14px', plate: '18px' },
      borderWidth: { rim: '3px', edge: '2.5px', hair: '1.5px' },
    },
  },
};
