import { stageBorders } from './scripts/lint/stage-borders.mjs'

// The linter's own code asks for it; Node 20 has it only behind a flag.
Object.groupBy ??= (items, keyOf) => [...items].reduce((groups, item, i) => {
  (groups[keyOf(item, i)] ??= []).push(item)
  return groups
}, Object.create(null))

const { createConfigForNuxt } = await import('@nuxt/eslint-config')

export default createConfigForNuxt({ features: { stylistic: { braceStyle: '1tbs', quotes: 'single', semi: false, indent: 2 }, tooling: false }, dirs: { src: ['app'] } })
  .append({
    ignores: ['.nuxt/**', '.output/**', '.data/**', 'node_modules/**', 'server/db/migrations/**', 'docs/**'],
  })
  .append({
    rules: {
      'max-lines': ['error', { max: 260, skipBlankLines: true, skipComments: true }],
      'no-console': ['error', { allow: ['error'] }],
      'no-empty': ['error', { allowEmptyCatch: false }],
      'vue/no-v-html': 'error',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/multi-word-component-names': 'off',
      '@stylistic/max-statements-per-line': 'off',
    },
  })
  .append({
    // The core is mathematics: no framework, no input or output, no clock, no chance but what is handed in.
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', ...['fetch', 'process', 'window', 'document', 'performance', 'setTimeout', 'setInterval', 'crypto', 'localStorage'].map(name => ({ name, message: 'core/ takes what it needs as arguments.' }))],
      'no-restricted-properties': ['error',
        { object: 'Math', property: 'random', message: 'Hand a generator in.' },
        { object: 'Date', property: 'now', message: 'Hand the time in.' },
        ...['exp', 'log', 'sin', 'cos', 'tan', 'asin', 'acos', 'atan', 'atan2', 'pow', 'cbrt', 'log1p', 'expm1', 'tanh'].map(property => ({ object: 'Math', property, message: 'Its last figures differ from engine to engine: take it from core/exact.ts.' })),
      ],
      'no-restricted-syntax': ['error', { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'Hand the time in.' }],
    },
  })
  .append({
    files: ['app/components/**/*.vue'],
    plugins: { uzzet: { rules: { 'stage-borders': stageBorders } } },
    rules: { 'uzzet/stage-borders': 'error' },
  })
  .append({
    files: ['tests/**/*.ts'],
    rules: { 'max-lines': 'off' },
  })
