import { createConfigForNuxt } from '@nuxt/eslint-config/flat'

export default createConfigForNuxt({
  features: { stylistic: { braceStyle: 'stroustrup' }, tooling: true },
  dirs: {
    root: ['web/app'],
    src: ['web/app'],
    pages: ['web/app/pages'],
    components: ['web/app/components'],
    layouts: ['web/app/layouts'],
  },
}).append(
  { ignores: ['**/.nuxt/**', '**/.output/**', '**/data/**', 'core/test/fixtures/**', '**/.cache/**'] },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/require-default-prop': 'off',
      'import/first': 'off',
      'jsdoc/check-param-names': 'off',
      'unicorn/no-new-array': 'off',
      '@stylistic/max-statements-per-line': 'off',
      '@stylistic/quote-props': 'off',
      '@stylistic/arrow-parens': 'off',
      '@stylistic/multiline-ternary': 'off',
      '@stylistic/operator-linebreak': 'off',
      '@stylistic/object-property-newline': 'off',
      '@stylistic/indent-binary-ops': 'off',
    },
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
