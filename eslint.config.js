import tseslint from 'typescript-eslint';
import angular from 'angular-eslint';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import { importX } from 'eslint-plugin-import-x';
import { floorRules } from './tools/floors.mjs';
import { MARKED, NOT_YET_MARKED } from './tools/screen-texts.mjs';

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/.angular/**',
      '**/.stryker-tmp/**',
      '**/mutation-out/**',
      '.run/**',
      'test-results/**',
      'playwright-report/**',
      '**/*.js',
      '**/*.cjs',
      '**/*.mjs',
    ],
  },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strict, ...tseslint.configs.stylistic],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/explicit-module-boundary-types': 'error',
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      '@typescript-eslint/consistent-type-definitions': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-invalid-void-type': 'off',
      'no-restricted-syntax': ['error', { selector: 'TSEnumDeclaration', message: 'A closed set is an `as const` array.' }],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    // Core knows no clock, no random source and no I/O: they are passed in.
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/testing/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        'fetch',
        'process',
        'document',
        'window',
        'localStorage',
        'setTimeout',
        'setInterval',
        'performance',
        'crypto',
      ],
      'no-restricted-properties': ['error', { object: 'Date', property: 'now' }, { object: 'Math', property: 'random' }],
    },
  },
  ...floorRules({ outside: ['node:*', '@angular/*', 'express*', 'kysely*'] }),
  {
    // No file waits for itself when it is loaded; types are not there at run time.
    files: ['**/*.ts'],
    ignores: ['**/*.spec.ts'],
    plugins: { 'import-x': importX },
    settings: {
      'import-x/extensions': ['.ts'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts'] },
      'import-x/resolver-next': [
        createTypeScriptImportResolver({
          project: ['core', 'server', 'web', 'demo', 'tools', 'e2e'].map((p) => `${p}/tsconfig.json`),
          noWarnOnMultipleProjects: true,
        }),
      ],
    },
    rules: { 'import-x/no-cycle': ['error', { ignoreExternal: true }] },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'man', style: 'kebab-case' }],
      '@angular-eslint/directive-selector': ['error', { type: 'attribute', prefix: 'man', style: 'camelCase' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@typescript-eslint/explicit-module-boundary-types': 'off',
    },
  },
  { files: ['web/src/**/*.html'], extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility] },
  {
    // Every text of a screen is marked, with an id that stays when the words change.
    files: ['web/src/**/*.html'],
    ignores: NOT_YET_MARKED,
    rules: { '@angular-eslint/template/i18n': ['error', MARKED] },
  },
  {
    files: ['**/*.spec.ts', 'e2e/**/*.ts', 'tools/**/*.ts', '**/bench/**/*.ts', 'demo/**/*.ts'],
    rules: {
      '@typescript-eslint/explicit-module-boundary-types': 'off',
      'no-console': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
    },
  },
);
