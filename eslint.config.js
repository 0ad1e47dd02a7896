import js from '@eslint/js';
import ts from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';

export default ts.config(
  { ignores: ['dist', '.astro', 'data', 'demo/.data', '.tmp', 'node_modules', 'src/env.d.ts', 'kernels'] },
  js.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [...ts.configs.strictTypeChecked, ...ts.configs.stylisticTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/dot-notation': ['error', { allowIndexSignaturePropertyAccess: true }],
      '@typescript-eslint/consistent-type-definitions': 'off',
      // There are no enums, and no class is handed on as a value.
      '@typescript-eslint/no-unsafe-enum-assignment': 'off',
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      // Taking parts out of an object by leaving them behind.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/no-unnecessary-condition': ['error', { allowConstantLoopConditions: true }],
    },
  },
  {
    files: ['src/**/*.tsx', 'src/islands/**/*.ts'],
    plugins: { 'react-hooks': hooks },
    rules: { ...hooks.configs.recommended.rules, 'react-hooks/incompatible-library': 'off' },
  },
  {
    files: ['tests/**/*.ts'],
    rules: { '@typescript-eslint/no-unused-expressions': 'off', '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      // Index loops run over typed arrays without making iterators.
      '@typescript-eslint/prefer-for-of': 'off',
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'Date', 'navigator', 'localStorage', 'fetch'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Use the seeded generator.' },
      ],
    },
  },
  {
    files: ['**/*.mjs', '*.js', '*.cjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        module: 'writable',
        Buffer: 'readonly',
        performance: 'readonly',
      },
    },
  },
  {
    // Parts of this script run within the page it measures.
    files: ['bench/page.mjs'],
    languageOptions: {
      globals: {
        document: 'readonly',
        requestAnimationFrame: 'readonly',
        KeyboardEvent: 'readonly',
        HTMLSelectElement: 'readonly',
        HTMLInputElement: 'readonly',
        Event: 'readonly',
      },
    },
  },
);
