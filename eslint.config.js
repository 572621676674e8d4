import angular from 'angular-eslint';
import regexp from 'eslint-plugin-regexp';
import tseslint from 'typescript-eslint';

// What TypeScript itself is held to, by its types too, stands in .oxlintrc.json; here is what that cannot ask.
export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '**/.angular/**', '**/test-results/**'] },
  {
    // A pattern looks at each letter a fixed number of times, whatever is sent to it.
    files: ['{core,contract,server,web}/src/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/testing/**'],
    plugins: { regexp },
    languageOptions: { parser: tseslint.parser },
    rules: {
      'regexp/no-super-linear-backtracking': 'error',
      'regexp/no-super-linear-move': 'error',
    },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'ma', style: 'kebab-case' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
    },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
);
