import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['**/node_modules/**', '**/dist/**', '.data/**', 'test-results/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-unused-expressions': ['error', { allowTernary: true, allowShortCircuit: true }],
      'no-console': ['error', { allow: ['warn', 'error'] }],
      'no-restricted-syntax': [
        'error',
        { selector: 'TSEnumDeclaration', message: 'use a union of literals' },
      ],
      'no-undef': 'off',
      'no-sequences': 'error',
      eqeqeq: 'error',
      'prefer-const': 'error',
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      // A style belongs to its component; what several share stands in base.css.
      'vue/enforce-style-attribute': ['error', { allow: ['scoped'] }],
    },
  },
  {
    // The core has no clock and no random of its own, and knows neither a browser nor Node.
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'localStorage',
        'fetch',
        'setTimeout',
        'setInterval',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'random is an argument' },
        { object: 'Date', property: 'now', message: 'now is an argument' },
      ],
    },
  },
  // Playwright reads a fixture's needs from its first parameter, which therefore must be a pattern.
  { files: ['e2e/**'], rules: { 'no-empty-pattern': 'off' } },
  { files: ['scripts/**', 'bench/**'], rules: { 'no-console': 'off' } },
  { files: ['scripts/jest-vue.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  prettier,
);
