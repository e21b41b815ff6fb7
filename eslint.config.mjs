import tseslint from 'typescript-eslint'
import a11y from 'eslint-plugin-jsx-a11y'
import hooks from 'eslint-plugin-react-hooks'
import { noKindQuestions } from './scripts/lint/noKindQuestions.mjs'

const clock = [
  'Date',
  'performance',
  'setTimeout',
  'setInterval',
  'fetch',
  'process',
  'console',
  'window',
  'document',
  'crypto',
]

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'test-results/**', 'data/**', 'server/migrations/**'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { disallowTypeAnnotations: false }],
      '@typescript-eslint/no-non-null-assertion': 'off',
      // Types of documents are inferred from their fields; an interface gives each its name in messages.
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'with-single-extends' }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-var': 'error',
      'prefer-const': 'error',
      'no-eval': 'error',
      'no-implied-eval': 'error',
    },
  },
  {
    // Core is told the time and the chance; it never looks for them.
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/src/testing/**'],
    rules: {
      'no-restricted-globals': ['error', ...clock],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'chance is handed in' }],
    },
  },
  {
    // What sets a kind of loop apart lies in its folder; nothing else asks which kind it is.
    files: [
      'core/src/**/*.ts',
      'contract/src/**/*.ts',
      'server/src/**/*.ts',
      'cli/src/**/*.ts',
      'web/src/**/*.{ts,tsx}',
    ],
    ignores: ['**/*.test.ts', '**/*.test.tsx', '**/testing/**', 'core/src/kinds/**'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { nachtigal: { rules: { 'no-kind-questions': noKindQuestions } } },
    rules: { 'nachtigal/no-kind-questions': 'error' },
  },
  {
    // What a person does to a job or a loop is an action in core; a page calls it and draws.
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...[
          'SpreadElement > Identifier[name=/^(loop|job)$/]',
          'SpreadElement > MemberExpression[property.name=/^(loop|job)$/]',
          'SpreadElement > MemberExpression[object.name=/^(loop|job)$/]',
          'SpreadElement > MemberExpression > MemberExpression[object.name=/^(loop|job)$/]',
        ].map((selector) => ({ selector, message: 'a job or a loop is changed by an action of core' })),
      ],
    },
  },
  {
    files: ['**/*.{js,mjs,cjs}'],
    languageOptions: { globals: { process: 'readonly', console: 'readonly', module: 'readonly' } },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    ...a11y.flatConfigs.recommended,
    rules: {
      ...a11y.flatConfigs.recommended.rules,
      // What scrolls must be reached by key, drawing or not; axe holds it in the browser.
      'jsx-a11y/no-noninteractive-tabindex': 'off',
      // A list may hear its arrow keys, a page a file that is dropped on it.
      'jsx-a11y/no-noninteractive-element-interactions': [
        'error',
        { handlers: ['onClick', 'onMouseDown', 'onMouseUp'] },
      ],
      'jsx-a11y/no-static-element-interactions': ['error', { handlers: ['onClick', 'onMouseDown', 'onMouseUp'] }],
      'jsx-a11y/no-autofocus': ['error', { ignoreNonDOM: true }],
      'jsx-a11y/label-has-associated-control': ['error', { depth: 4 }],
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
)
