import { ESLintUtils } from '@typescript-eslint/utils'

/** The ids of a union of texts; nothing where a type is something else. */
const idsOf = (type) => {
  const parts = type.isUnion() ? type.types : [type]
  return parts.every((part) => part.isStringLiteral()) ? parts.map((part) => part.value) : undefined
}

/**
 * Which kind of loop it is stands in that kind's own folder. Elsewhere nothing is compared with the id of a kind, switched on it or looked up
 * in a table of kinds: what differs is a fact of the kind, asked of `factsOfKind`.
 */
export const noKindQuestions = ESLintUtils.RuleCreator.withoutDocs({
  meta: {
    type: 'problem',
    schema: [],
    messages: { asks: 'asks which kind of loop it is: make it a fact of the kind in core/src/kinds' },
  },
  defaultOptions: [],
  create(context) {
    const services = ESLintUtils.getParserServices(context)
    const checker = services.program.getTypeChecker()
    /** Whether a node is the kind of a loop: its type is the union of all of them. */
    const kindsAt = (node) => {
      const ids = idsOf(checker.getNonNullableType(services.getTypeAtLocation(node)))
      return ids?.includes('cold-room') && ids.includes('cabin') ? ids : undefined
    }
    const isKind = (node) => kindsAt(node) !== undefined
    const compares = (kind, literal) =>
      literal.type === 'Literal' && literal.value !== '' && kindsAt(kind)?.includes(literal.value)
    const report = (node) => context.report({ node, messageId: 'asks' })
    return {
      BinaryExpression(node) {
        if (!['===', '!==', '==', '!='].includes(node.operator)) return
        const { left, right } = node
        if (compares(left, right) || compares(right, left)) report(node)
      },
      SwitchStatement(node) {
        if (isKind(node.discriminant)) report(node)
      },
      "CallExpression[callee.property.name='includes']"(node) {
        const [asked] = node.arguments
        if (asked && node.callee.object.type === 'ArrayExpression' && isKind(asked)) report(node)
      },
      // A table with a place for each kind, or for some of them.
      "TSTypeReference[typeName.name='Record']"(node) {
        const [key] = node.typeArguments?.params ?? []
        if (key && isKind(key)) report(node)
      },
    }
  },
})
