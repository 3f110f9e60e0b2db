import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'

/**
 * Arrows run one way: app → api → services → core; tasks → services; services → db, outside, render,
 * queue/add.
 */
const forbid = (...groups) => ({
  'no-restricted-imports': 'off',
  '@typescript-eslint/no-restricted-imports': ['error', { patterns: groups }],
})
const house = '**/server/**'

export default tseslint.config(
  { ignores: ['.nuxt/**', '.output/**', '.build/**', '.data/**', 'node_modules/**'] },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.{ts,vue,mjs}'],
    languageOptions: { parserOptions: { parser: tseslint.parser } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/require-default-prop': 'off',
      'vue/attributes-order': 'off',
      'vue/html-indent': 'off',
      'no-undef': 'off',
    },
  },
  {
    files: ['core/**/*.ts'],
    rules: forbid({
      group: [house, '**/app/**', 'vue', 'nuxt*', 'sequelize', 'pg', 'node:*', 'h3'],
      message: 'core is pure: no interface, database, Node I/O, clock or randomness',
    }),
  },
  {
    files: ['app/**/*.{ts,vue}'],
    rules: forbid({
      group: [house],
      message: 'the interface reaches the server over HTTP only; its types are in app/contract',
    }),
  },
  {
    files: ['server/api/**/*.ts'],
    rules: forbid({
      group: ['**/db/models/**', 'sequelize', 'pg', '**/queue/tasks/**'],
      message: 'a route calls one service; only services touch the database',
    }),
  },
  {
    files: ['server/queue/tasks/**/*.ts'],
    rules: forbid({ group: ['**/api/**', '**/db/**', '**/outside/**'], message: 'a task calls a service' }),
  },
  {
    files: ['server/services/**/*.ts'],
    rules: forbid({
      group: ['**/api/**', '**/queue/tasks/**', '**/queue/run-worker*', '**/app/**'],
      message: 'services know nothing of what calls them',
    }),
  },
  {
    files: ['standins/**/*.ts'],
    rules: forbid({
      group: [house, '**/core/**', '**/app/**'],
      message: 'the simulated outside world uses nothing of Clothespin',
    }),
  },
  {
    files: ['**/*.test.ts', 'core/testing/**'],
    rules: { '@typescript-eslint/no-restricted-imports': 'off' },
  },
)
