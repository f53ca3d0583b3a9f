/** A lint rule: a text that a cook would read stands in words/; elsewhere it is a code. */
const SENTENCE = /^[A-Z][a-zé’']+(,? [a-zé0-9’']+)+|[a-z]{2,} .*[a-z]{2,}[.!?]$|^[a-z]+(,? [a-z’]+){5,}$/;
const CODE = /^[a-zA-Z]+\.[^ ]/;
const TEMPLATE = /[a-z]{3,},? [a-z]{2,}/;
const LETTERS = /[A-Za-z]{2}/;
const SHOWN = /^(title|label|sub|text|word|placeholder|aria-label|spoken|note|hint|message|error)$/;
const DRAWN = /^(className|contentContainerClassName|d|transform|viewBox)$/;

/** Where a text is for a developer, or no text at all. */
const spared = (node) =>
  node.type === 'ThrowStatement' ||
  node.type === 'ImportDeclaration' ||
  node.type === 'TSLiteralType' ||
  (node.type === 'NewExpression' && /Error$/.test(node.callee.name ?? '')) ||
  (node.type === 'CallExpression' &&
    (node.callee.type === 'Super' || node.callee.name === 'table' || node.callee.object?.name === 'wrong')) ||
  (node.type === 'JSXAttribute' && DRAWN.test(node.name.name));

/** Whether a literal is what an attribute or the place between two tags shows, or one of two that are. */
function isShown(node) {
  let at = node.parent;
  if (at.type === 'ConditionalExpression') {
    if (at.test === node) return false;
    at = at.parent;
  }
  if (at.type === 'Property')
    return /^(label|sub|title|cue|manner)$/.test(at.key.name ?? '') && !/[a-z]-/.test(node.value);
  if (at.type === 'JSXExpressionContainer') at = at.parent;
  return at.type === 'JSXElement' || (at.type === 'JSXAttribute' && SHOWN.test(at.name.name));
}

module.exports = {
  meta: { type: 'problem', schema: [{ enum: ['sentences', 'everything'] }] },
  create(context) {
    const rooms = context.options[0] === 'everything';
    const report = (node) =>
      !context.sourceCode.getAncestors(node).some(spared) &&
      context.report({ node, message: 'a text that is read belongs into words/' });
    return {
      Literal(node) {
        if (typeof node.value !== 'string' || CODE.test(node.value)) return;
        if (SENTENCE.test(node.value) || (rooms && LETTERS.test(node.value) && isShown(node))) report(node);
      },
      TemplateElement(node) {
        if (TEMPLATE.test(node.value.raw)) report(node);
      },
      JSXText(node) {
        if (rooms && LETTERS.test(node.value)) report(node);
      },
    };
  },
};
