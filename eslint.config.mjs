import { readdirSync } from 'node:fs';
import js from '@eslint/js';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import { createNodeResolver, importX } from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/**
 * Imports run one way: app → features → shared → ui, data → core; server → core. Features do not import each other.
 * Core has no interface, no server and no input or output.
 */
const features = readdirSync(new URL('./apps/kitchen/src/features', import.meta.url));
const KITCHEN = './apps/kitchen';
const zones = [
  { target: './packages/core', from: ['./apps', './e2e', './tools'], message: 'Core stands alone.' },
  { target: './apps/server', from: [KITCHEN, './e2e'], message: 'The server knows only core.' },
  { target: KITCHEN, from: ['./apps/server', './e2e', './tools'], message: 'The app knows only core.' },
  {
    target: `${KITCHEN}/src/ui`,
    from: [`${KITCHEN}/src/features`, `${KITCHEN}/src/shared`, `${KITCHEN}/src/data`, `${KITCHEN}/app`],
    message: 'The design system does not know features or data.',
  },
  {
    target: `${KITCHEN}/src/data`,
    from: [`${KITCHEN}/src/features`, `${KITCHEN}/src/shared`, `${KITCHEN}/src/ui`, `${KITCHEN}/app`],
    message: 'Data does not know what shows it.',
  },
  {
    target: `${KITCHEN}/src/shared`,
    from: [`${KITCHEN}/src/features`, `${KITCHEN}/app`],
    message: 'What several features show knows none of them.',
  },
  { target: `${KITCHEN}/src`, from: `${KITCHEN}/app`, message: 'Routes import features, not the other way.' },
  {
    target: `${KITCHEN}/app`,
    from: ['./packages/core', `${KITCHEN}/src/data`],
    message: 'A route only mounts a feature.',
  },
  ...features.map((feature) => ({
    target: `${KITCHEN}/src/features/${feature}`,
    from: `${KITCHEN}/src/features`,
    except: [`./${feature}`],
    message: 'Features do not import each other.',
  })),
];

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
    files: ['packages/core/src/**'],
    ignores: ['**/*.test.ts'],
    rules: {
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
    // A typed array within its length has a number in every place; the check would cost half the speed.
    files: ['packages/core/src/bake/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['apps/kitchen/**'],
    plugins: { 'react-hooks': reactHooks },
    rules: reactHooks.configs.recommended.rules,
  },
  {
    files: ['**/*.mjs', '**/*.js'],
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
      },
    },
  },
);
