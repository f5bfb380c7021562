import { createConfigForNuxt } from '@nuxt/eslint-config/flat'

/** Sentences may be as long as they are; everything else keeps to the width. */
const WIDTH = [
  'error',
  {
    code: 120,
    ignoreUrls: true,
    ignoreStrings: true,
    ignoreTemplateLiterals: true,
    ignoreRegExpLiterals: true,
  },
]
const TYPED = ['core/src/**/*.ts', 'cli/src/**/*.ts', 'web/server/**/*.ts', 'web/shared/**/*.ts', 'demo/src/**/*.ts']
const PROMISES = {
  '@typescript-eslint/no-floating-promises': 'error',
  '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
}

export default createConfigForNuxt({
  // Layout is the formatter's (prettier), which `npm test` checks as well.
  features: { stylistic: false, tooling: true },
  dirs: {
    root: ['web/app'],
    src: ['web/app'],
    pages: ['web/app/pages'],
    components: ['web/app/components'],
    layouts: ['web/app/layouts'],
  },
}).append(
  { ignores: ['**/.nuxt/**', '**/.output/**', '**/dist/**', '**/data/**', 'core/test/fixtures/**', '**/.cache/**'] },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/require-default-prop': 'off',
      'import/first': 'off',
      'jsdoc/check-param-names': 'off',
      'unicorn/no-new-array': 'off',
      'unicorn/number-literal-case': 'off',
    },
  },
  { files: ['**/*.{ts,mjs}'], rules: { 'max-len': WIDTH } },
  {
    files: ['**/*.vue'],
    rules: {
      'vue/max-len': [
        'error',
        {
          code: 120,
          template: 120,
          ignoreUrls: true,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreRegExpLiterals: true,
          ignoreHTMLAttributeValues: true,
          ignoreHTMLTextContents: true,
        },
      ],
    },
  },
  {
    files: ['core/src/**/*.ts', 'cli/src/**/*.ts', 'web/server/**/*.ts'],
    rules: {
      complexity: ['error', 30],
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // A promise that nobody waits for loses its error.
    files: TYPED,
    languageOptions: { parserOptions: { project: ['./tsconfig.lint.json'], tsconfigRootDir: import.meta.dirname } },
    rules: PROMISES,
  },
  {
    files: ['web/app/**/*.{ts,vue}'],
    languageOptions: {
      parserOptions: {
        project: ['./tsconfig.lint-app.json'],
        tsconfigRootDir: import.meta.dirname,
        extraFileExtensions: ['.vue'],
      },
    },
    rules: PROMISES,
  },
  {
    // The computation knows nothing of Vue, Nuxt, Node or the browser.
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'process',
        'Buffer',
        'fetch',
        'localStorage',
        'console',
        'setTimeout',
        'setInterval',
        'performance',
        'crypto',
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: 'Core has no clock: pass the time in.',
        },
        {
          selector: 'MemberExpression[object.name="Date"][property.name="now"]',
          message: 'Core has no clock: pass the time in.',
        },
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seeded Random in.' },
      ],
      'no-restricted-imports': [
        'error',
        { patterns: ['node:*', 'vue', 'vue/*', 'nuxt', '#*', '@vue/*', 'fs', 'path'] },
      ],
    },
  },
)
