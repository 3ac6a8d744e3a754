/** The rules that know the types are another tool's, which is ten times as quick at them: .oxlintrc.json. */
import vueAccessibility from 'eslint-plugin-vuejs-accessibility'

// The linter's own code asks for it; Node 20 has it only behind a flag.
Object.groupBy ??= (items, keyOf) =>
  [...items].reduce((groups, item, i) => {
    ;(groups[keyOf(item, i)] ??= []).push(item)
    return groups
  }, Object.create(null))

const { createConfigForNuxt } = await import('@nuxt/eslint-config')

/** What the core must be handed in, and what its last figures depend on. */
const WORLD = [
  'fetch',
  'process',
  'window',
  'document',
  'performance',
  'setTimeout',
  'setInterval',
  'crypto',
  'localStorage',
]
const INEXACT = [
  'exp',
  'log',
  'sin',
  'cos',
  'tan',
  'asin',
  'acos',
  'atan',
  'atan2',
  'pow',
  'cbrt',
  'log1p',
  'expm1',
  'tanh',
]

/** A chain of three outcomes reads; more is a table, or steps with names. */
const THREE_DEEP = {
  selector: 'ConditionalExpression > ConditionalExpression > ConditionalExpression',
  message: 'More than three outcomes: name the steps, or make a table of them.',
}

/** Lists of style classes and the names of tests are read as they stand; SQL keeps its own lines. */
const LONG_BY_NATURE = String.raw`^\s*(class="|(it|test|describe)(\.each)?\(|\* @example )`

/** Components of the framework and of the component library: they alone come by themselves. */
const NOT_OURS = ['^U[A-Z]', '^Nuxt[A-Z]', '^ClientOnly$', '^VitePwaManifest$']

export default createConfigForNuxt({ features: { stylistic: false, tooling: false }, dirs: { src: ['app'] } })
  .append({
    ignores: [
      '.nuxt/**',
      '.output/**',
      '.data/**',
      'node_modules/**',
      'server/db/migrations/**',
      'docs/**',
      '**/vendor/**',
    ],
  })
  .append(...vueAccessibility.configs['flat/recommended'])
  .append({
    rules: {
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
      'complexity': ['error', 20],
      'no-restricted-syntax': ['error', THREE_DEEP],
      'prefer-const': 'error',
      'prefer-rest-params': 'error',
      'prefer-spread': 'error',
      'no-var': 'error',
      'no-console': ['error', { allow: ['error'] }],
      'no-empty': ['error', { allowEmptyCatch: false }],
      'vue/max-len': [
        'error',
        { code: 120, template: 120, ignorePattern: LONG_BY_NATURE, ignoreRegExpLiterals: true, ignoreUrls: true },
      ],
      // Dialogs that a coach opens put the caret where typing begins: as is expected (WAI-ARIA practices).
      'vuejs-accessibility/no-autofocus': 'off',
      'vuejs-accessibility/label-has-for': [
        'error',
        {
          controlComponents: ['UInput', 'USelect', 'FramePlainSelect', 'USwitch'],
          required: { some: ['nesting', 'id'] },
        },
      ],
      'vue/no-v-html': 'error',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/multi-word-component-names': 'off',
    },
  })
  .append({
    // The core is mathematics: no framework, no input or output, no clock, no chance but what is handed in.
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...WORLD.map(name => ({ name, message: 'core/ takes what it needs as arguments.' })),
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Hand a generator in.' },
        { object: 'Date', property: 'now', message: 'Hand the time in.' },
        ...INEXACT.map(property => ({
          object: 'Math',
          property,
          message: 'Its last figures differ from engine to engine: take it from core/stats/exact.ts.',
        })),
      ],
      'no-restricted-syntax': [
        'error',
        THREE_DEEP,
        { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'Hand the time in.' },
        {
          selector:
            'Program > VariableDeclaration > VariableDeclarator > ' +
            'NewExpression[callee.name=/^(Map|WeakMap|LRUCache)$/][arguments.length=0]',
          message: 'The core keeps nothing: take a memo.',
        },
      ],
    },
  })
  .append({
    // Our own components are imported where they are used.
    files: ['app/**/*.vue'],
    rules: { 'vue/no-undef-components': ['error', { ignorePatterns: NOT_OURS }] },
  })
  .append({
    // Programs that are read from top to bottom, once.
    files: ['demo/load.ts', 'scripts/screenshots.mjs', 'tools/browsers/walk.mjs'],
    rules: { 'max-lines-per-function': 'off' },
  })
  .append({
    // A list of tables, as long as there are tables.
    files: ['server/db/schema.ts'],
    rules: { 'max-lines': 'off' },
  })
  .append({
    files: ['tests/**/*.ts'],
    rules: { 'max-lines': 'off', 'max-lines-per-function': 'off' },
  })
  .append({
    // Tables of figures, workbooks and other languages stand in strings as they are.
    files: [
      'tests/bench/**/*.ts',
      'tests/chaos/**/*.ts',
      'tests/app/importer.test.ts',
      'tests/server/migrations.test.ts',
    ],
    rules: {
      'vue/max-len': [
        'error',
        {
          code: 120,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreComments: false,
          ignorePattern: LONG_BY_NATURE,
        },
      ],
    },
  })
