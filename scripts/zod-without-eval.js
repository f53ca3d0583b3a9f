// Stands in for zod in the browser bundle: told before the first schema is made that it may not write code at run time.
import { config } from 'zod';

config({ jitless: true });

export * from 'zod';
