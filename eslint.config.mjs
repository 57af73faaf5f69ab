import js from '@eslint/js';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import { createNodeResolver, importX } from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { coreZones, zones } from './tools/lint/zones.mjs';

export default tseslint.config(
  { ignores: ['**/node_modules', '**/dist', '**/.expo', '.cache', '.data', '**/expo-env.d.ts'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    plugins: { 'import-x': importX },
    settings: {
      'import-x/resolver-next': [
        createTypeScriptImportResolver({
          project: [
            'packages/*/tsconfig.json',
            'apps/*/tsconfig.json',
            'e2e/tsconfig.json',
            'tools/tsconfig.json',
          ],
          noWarnOnMultipleProjects: true,
        }),
        createNodeResolver(),
      ],
    },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones }],
      'import-x/no-cycle': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      'no-empty': ['error', { allowEmptyCatch: false }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    // More than this has more than three ideas.
    ignores: ['**/*.test.ts', '**/*.test.tsx', '**/*.spec.ts', '**/test/**'],
    rules: {
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // Half of a component's lines are the look of it.
    files: ['**/*.tsx'],
    ignores: ['**/*.test.tsx', '**/test/**'],
    rules: {
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['packages/core/src/**'],
    ignores: ['**/*.test.ts', 'packages/core/src/test/**'],
    rules: {
      'import-x/no-restricted-paths': ['error', { zones: coreZones }],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: [
                'react',
                'react-*',
                'expo*',
                '@tanstack/*',
                'express',
                'sequelize',
                'sqlite3',
                'node:*',
                'fs',
                'path',
              ],
              message: 'Core has no interface, no server and no input or output.',
            },
          ],
        },
      ],
      'no-restricted-globals': [
        'error',
        ...['fetch', 'process', 'window', 'document', 'setTimeout', 'setInterval'].map((name) => ({
          name,
          message: 'Core does no input or output.',
        })),
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
        { object: 'Math', property: 'random', message: 'Pass the randomness in.' },
      ],
    },
  },
  {
    files: ['apps/server/src/**', 'apps/kitchen/**'],
    ignores: ['apps/server/src/demo/**', 'apps/server/src/test/**', '**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['@kettle-scale/simulation'], message: 'What is made up enters through the demo.' },
          ],
        },
      ],
    },
  },
  {
    // A list within its length has a value in every place; the check would cost half the speed.
    files: ['packages/core/src/{bake,shift}/**', 'packages/simulation/src/{bakes,shift}/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['apps/kitchen/**'],
    ignores: ['**/*.test.*'],
    plugins: { 'react-hooks': reactHooks },
    rules: reactHooks.configs.recommended.rules,
  },
  {
    files: ['**/*.mjs', '**/*.js', '**/*.cjs'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        module: 'writable',
        require: 'readonly',
        __dirname: 'readonly',
        __filename: 'readonly',
      },
    },
  },
);
