import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['dist', 'node_modules', 'src/shared/api/schema.d.ts'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue', '**/*.ts'],
    languageOptions: { parserOptions: { parser: ts.parser }, globals: { window: 'readonly', document: 'readonly' } },
    rules: { 'no-undef': 'off', 'vue/multi-word-component-names': 'off', 'vue/require-default-prop': 'off' },
  },
  {
    files: ['scripts/**'],
    languageOptions: { globals: { console: 'readonly', process: 'readonly', URL: 'readonly' } },
  },
  prettier,
);
