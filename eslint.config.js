import globals from 'globals';
import tseslint from 'typescript-eslint';
import vue from 'eslint-plugin-vue';
import vueParser from 'vue-eslint-parser';

/** Packages the core may use: pure computation, no DOM, no Node, no framework. */
const CORE_PACKAGES = [
  'zod',
  'pdf-lib',
  '@pdf-lib/fontkit',
  'papaparse',
  'ical.js',
  'maxrects-packer(/.*)?',
  'clipper2-ts',
  'jsts/.*',
  'cdt2d',
  'immer',
  'd3-array',
  'd3-contour',
  'dequal',
  'dxf-parser',
  'fast-png',
  'fast-xml-parser',
  'svgpath',
  'simple-statistics',
  'spectral.js',
  'culori',
  '@tarikjabiri/dxf',
];

const coreImports = {
  patterns: [
    {
      regex: `^(?!\\.{1,2}(?:/|$))(?!(?:${CORE_PACKAGES.join('|')})$).*`,
      message: 'core imports only itself and pure packages: no DOM, Node, Vue, or other workspace.',
    },
    { regex: '/(server|web|e2e|scripts)/', message: 'core does not reach out of its own folder.' },
  ],
};
const testImports = {
  patterns: [
    {
      regex: `^(?!\\.{1,2}(?:/|$))(?!(?:${[...CORE_PACKAGES, 'vitest', 'fast-check', '@tarikjabiri/dxf', '@svgdotjs/svg.js', 'pngjs', 'svgdom', 'manifold-3d', 'pdfjs-dist/legacy/build/pdf.mjs', '@fontsource/.*'].join('|')})$).*`,
      message: 'core tests import only core, vitest and fast-check.',
    },
  ],
};
const noClock = [
  { object: 'Date', property: 'now', message: 'core has no clock: pass the time in.' },
  { object: 'Math', property: 'random', message: 'core has no hidden chance: pass a seeded random in.' },
];

/** What the interface's library has is taken from it. */
const fromLibrary = [
  ['button', 'BButton'],
  ['select', 'BFormSelect, or ui/ChoiceField'],
  ['input', 'BFormInput or BFormCheckbox, or a field of ui/'],
  ['textarea', 'BFormTextarea'],
  ['table', 'BTableSimple'],
].map(([element, instead]) => ({ element, message: `Use ${instead}.` }));

export default tseslint.config(
  { ignores: ['**/dist/**', '**/dist.*/**', '**/node_modules/**', '.local/**', 'reports/**'] },
  ...tseslint.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: {
      parser: vueParser,
      parserOptions: { parser: tseslint.parser, extraFileExtensions: ['.vue'] },
      globals: globals.browser,
    },
  },
  {
    rules: {
      'no-duplicate-imports': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off', // noUncheckedIndexedAccess makes every grid access need one
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/only-throw-error': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/multi-word-component-names': 'off',
      'no-console': 'error',
    },
  },
  {
    // What a person holds in the head.
    files: ['packages/**/*.ts', 'packages/**/*.vue'],
    ignores: ['**/*.test.ts'],
    rules: {
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
      'max-params': ['error', 5],
      complexity: ['error', 15],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', coreImports],
      'no-restricted-properties': ['error', ...noClock],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'setTimeout', 'performance', 'localStorage'],
    },
  },
  { files: ['packages/core/src/**/*.test.ts', 'packages/core/src/testing/**'], rules: { 'no-restricted-imports': ['error', testImports] } },
  {
    files: ['packages/web/**/*.{ts,vue}'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^@spare-acre/server|/server/', message: 'web and server meet only in core.' }] },
      ],
      'vue/no-restricted-html-elements': ['error', ...fromLibrary],
    },
  },
  {
    files: ['packages/server/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [{ regex: '^@spare-acre/web|/web/', message: 'web and server meet only in core.' }] }],
    },
  },
  { files: ['scripts/**', 'e2e/**', '*.js', '*.ts'], languageOptions: { globals: globals.node }, rules: { 'no-console': 'off' } },
);
