/** A rule of our own for the linter: what computes waits for nothing. */
const neverAsync = {
  create: (context) => {
    const look = (node) => {
      if (node.async) context.report({ node, message: 'The core is not async.' })
    }
    return { FunctionDeclaration: look, FunctionExpression: look, ArrowFunctionExpression: look }
  },
}

const till = { meta: { name: 'till' }, rules: { 'never-async': neverAsync } }
export default till
