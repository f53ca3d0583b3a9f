/** The tokens for SVG: the classes of global.css decide day or night. */
const token = (name: string) => `rgb(var(--${name}))`;

export const colour = {
  field: token('field'),
  sunk: token('sunk'),
  plate: token('plate'),
  ink: token('ink'),
  ink2: token('ink2'),
  line: token('line'),
  yolk: token('yolk'),
  onyolk: token('onyolk'),
  scorch: token('scorch'),
  onscorch: token('onscorch'),
  cool: token('cool'),
  coolF: token('coolF'),
  bay: token('bay'),
  bayF: token('bayF'),
  dishH: token('dishH'),
  onH: token('onH'),
  liquid: token('liquid'),
  liquid2: token('liquid2'),
  gran: token('gran'),
  /** yolk's outline: ink by day, nothing needed by night */
  yolkEdge: token('onyolk'),
} as const;
