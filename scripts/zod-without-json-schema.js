// Stands in the browser bundle for zod's writer of JSON Schema: the command line alone writes one.
const none = () => () => {
  throw new Error('JSON Schema is not written in the browser');
};
exports.createToJSONSchemaMethod = none;
exports.createStandardJSONSchemaMethod = none;
