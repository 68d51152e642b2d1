import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import ts from 'typescript-eslint';

// Imports go down only: app, features, drawing, parts, shared. A feature knows no other.
const features = ['cases', 'pumps', 'records', 'reports', 'workings', 'shop'];
const only = (room, ...closed) => ({
  files: [`src/${room}/**`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: closed.map((other) => `@/${other}/*`),
            message: `${room}/ may use only what lies below it; what two features share goes into parts/.`,
          },
          { group: ['../../../*'], message: 'From another room by @/.' },
        ],
      },
    ],
  },
});

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
  ...features.map((room) => only(room, 'app', ...features.filter((other) => other !== room))),
  only('drawing', 'app', ...features),
  only('parts', 'app', 'drawing', ...features),
  only('shared', 'app', 'drawing', 'parts', ...features),
  prettier,
);
