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
        // what stands in the pot grows with the cook's text as far as the oval is wide
        face: ['min(1rem, 4.5vw)', '1.3'],
        amount: ['min(1.625rem, 9vw)', '1.17'],
        answer: ['2.875rem', '3rem'],
        instruction: ['min(2.375rem, 12vw)', '1.05'],
        number: ['min(3.625rem, 17vw)', '1.02'],
        huge: ['min(3.875rem, 14.5vw)', '1.01'],
      },
      borderRadius: { key: '14px', plate: '18px' },
      borderWidth: { rim: '3px', edge: '2.5px', hair: '1.5px' },
    },
  },
};
