/** A scale is a drawing: it runs from left to right in every language. */
export const LEFT_TO_RIGHT = { dir: 'ltr' } as object;
