// Stands in the browser bundle for what is never drawn here. It may be loaded, extended and called while modules are made;
// whoever would draw it gets an error of React's, which every browser test would see.
const nothing = new Proxy(function leftOut() {}, {
  get: (_of, name) =>
    name === '__esModule'
      ? true
      : name === Symbol.toPrimitive
        ? () => 'left out'
        : name === 'prototype'
          ? leftOutPrototype
          : nothing,
  set: () => true,
  apply: () => nothing,
  construct: () => ({}),
});
const leftOutPrototype = {};
module.exports = nothing;
