/** Arrows point one way. See the section on import rules in CONTRIBUTING.md. */

/** The layers of core, top to bottom: each imports only from layers above it. */
const LAYERS = [
  'base',
  'signals',
  'drives',
  'log',
  'findings',
  'calculators',
  'instruments',
  'simulator',
  'proof',
  'diagnosis',
  'parts',
  'bench',
  'release',
]

const layerRules = LAYERS.slice(0, -1).map((layer, i) => ({
  name: 'layers',
  severity: 'error',
  comment: `A layer imports only from layers above it; below ${layer} stand ${LAYERS.slice(i + 1).join(', ')}.`,
  from: { path: `^core/src/${layer}/` },
  to: { path: `^core/src/(${LAYERS.slice(i + 1).join('|')})/` },
}))

const PURE_LIBRARIES =
  'minisearch|jsonc-parser|@sinclair/typebox|fflate|@noble/hashes|canonicalize|crc-32|papaparse|@types/papaparse|jstat|yup|fft\\.js|fuse\\.js|tinyqueue'

module.exports = {
  forbidden: [
    ...layerRules,
    {
      name: 'known-layers',
      severity: 'error',
      comment: 'Every file of core stands in a layer.',
      from: { path: `^core/src/(?!(${LAYERS.join('|')})/)` },
      to: {},
    },
    {
      name: 'no-circular',
      severity: 'error',
      comment: 'Files that need each other, types included, are one file.',
      from: {},
      to: { circular: true },
    },
    {
      name: 'public-faces',
      severity: 'error',
      comment: 'Other layers of core are used through an index.',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/.+/(?!index\\.ts$)[^/]+$', pathNot: '^core/src/$1/' },
    },
    {
      name: 'public-faces',
      severity: 'error',
      comment: 'Folders of one layer use each other through their index.',
      from: { path: '^core/src/((?:base|signals|calculators|instruments|bench)/[^/]+)/' },
      to: { path: '^core/src/.+/(?!index\\.ts$)[^/]+$', pathNot: '^core/src/$1/' },
    },
    {
      name: 'faces-of-core',
      severity: 'error',
      comment: 'Users of core import a folder, not a file.',
      from: { path: '^(web|cli|demo)/', pathNot: '^(web|cli|demo)/(test|e2e)/' },
      to: { path: '^core/src/.+/(?!index\\.ts$)[^/]+$' },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      comment: 'The computation knows nothing of its users.',
      from: { path: '^core/src' },
      to: { path: '^(web|cli|demo)/' },
    },
    {
      name: 'core-without-platform',
      severity: 'error',
      comment: 'No Node, Vue, Nuxt or browser in core.',
      from: { path: '^core/src' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-few-libraries',
      severity: 'error',
      comment: 'Core uses these pure libraries and no other.',
      from: { path: '^core/src' },
      to: { path: 'node_modules', pathNot: `node_modules/(${PURE_LIBRARIES})/` },
    },
    {
      name: 'declared-dependencies',
      severity: 'error',
      comment: 'What is imported stands in the package.json beside it.',
      from: { path: '^(core|cli|web|demo|scripts)/', pathNot: '(^|/)(test|e2e)/|^scripts/' },
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown'] },
    },
    {
      name: 'app-not-server',
      severity: 'error',
      comment: 'Pages reach the server over HTTP.',
      from: { path: '^web/app' },
      to: { path: '^web/server' },
    },
    {
      name: 'server-not-app',
      severity: 'error',
      comment: 'The server draws no pages.',
      from: { path: '^web/server' },
      to: { path: '^web/app' },
    },
    {
      name: 'cli-not-web',
      severity: 'error',
      comment: 'The command line stands on core alone.',
      from: { path: '^cli' },
      to: { path: '^web' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)\\.(nuxt|output)/' },
    tsPreCompilationDeps: true,
    combinedDependencies: false,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.mts', '.js', '.mjs', '.vue', '.d.ts'],
    },
  },
}
