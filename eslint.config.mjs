import hooks from 'eslint-plugin-react-hooks';
import { defineConfig } from 'eslint/config';
import tseslint from 'typescript-eslint';

export default defineConfig(
  { ignores: ['.next/', 'node_modules/', 'next-env.d.ts', 'test-results/', 'data/', 'public/'] },
  tseslint.configs.strictTypeChecked,
  {
    languageOptions: {
      parserOptions: { projectService: { allowDefaultProject: ['*.mjs'] }, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': [
        'error',
        { ignoreArrowShorthand: true, ignoreVoidReturningFunctions: true },
      ],
      // Keys are pressed one by one, and digits have no combining marks.
      '@typescript-eslint/no-misused-spread': 'off',
      // A type parameter that names what is looked up, where the look-up itself cannot.
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      // What stages together come to is worked out from the list of them: an empty one is no fault.
      '@typescript-eslint/no-generated-empty-object-type': 'off',
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'no-console': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    rules: {
      // sentences, patterns and class names are not wrapped
      'max-len': [
        'error',
        { code: 140, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true },
      ],
    },
  },
  {
    ignores: ['**/*.test.{ts,tsx}', 'e2e/**', 'src/fixtures/**'],
    rules: {
      complexity: ['error', 20],
      'max-lines-per-function': ['error', { max: 100, skipBlankLines: true, skipComments: true }],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['src/ui/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^@/app(/|$)|(^|/)\\.\\./app/', message: 'ui imports nothing from app.' }] },
      ],
      'no-restricted-properties': [
        'error',
        { object: 'crypto', property: 'randomUUID', message: 'Not there over plain http: freshId() is.' },
        { object: 'crypto', property: 'subtle', message: 'Not there over plain http.' },
      ],
    },
  },
  { files: ['scripts/**'], rules: { 'no-console': 'off' } },
  { files: ['**/*.mjs'], extends: [tseslint.configs.disableTypeChecked] },
  // expect.any() and its like are of any type.
  { files: ['**/*.test.ts', 'e2e/**'], rules: { '@typescript-eslint/no-unsafe-assignment': 'off' } },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^(?!\\./|\\.\\./)', message: 'core imports nothing outside core.' }] },
      ],
    },
  },
);
