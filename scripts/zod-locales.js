// Stands in for zod's locale index in the browser bundle: English only.
export { default as en } from 'zod/v4/locales/en.js';
