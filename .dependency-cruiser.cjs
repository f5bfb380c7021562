/** Arrows point one way. See the section on import rules in CONTRIBUTING.md. */
module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', comment: 'Files that need each other are one file.', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
    { name: 'core-stands-alone', severity: 'error', comment: 'The computation knows nothing of its users.', from: { path: '^core/src' }, to: { path: '^(web|cli|demo)/' } },
    { name: 'core-without-platform', severity: 'error', comment: 'No Node, Vue, Nuxt or browser in core.', from: { path: '^core/src' }, to: { dependencyTypes: ['core'] } },
    { name: 'core-few-libraries', severity: 'error', comment: 'Core uses these pure libraries and no other.', from: { path: '^core/src' }, to: { path: 'node_modules', pathNot: 'node_modules/(fflate|@noble/hashes|canonicalize|papaparse|@types/papaparse|jstat|yup|fft\\.js)/' } },
    { name: 'captures-first', severity: 'error', comment: 'Readers know nothing of what is made of their edges.', from: { path: '^core/src/captures' }, to: { path: '^core/src/(spindle|simulation|procedures|proving|mechanisms|drivetrain)' } },
    { name: 'mechanisms-are-data', severity: 'error', from: { path: '^core/src/(mechanisms|observations|drivetrain|numbers)' }, to: { path: '^core/src/(captures|spindle|simulation|procedures|proving)' } },
    { name: 'recording-stands-low', severity: 'error', comment: 'The read engine knows flux and sectors, not drives or their history.', from: { path: '^core/src/recording' }, to: { path: '^core/src/(spindle|simulation|procedures|proving|mechanisms|drivetrain|electrics)' } },
    { name: 'spindle-before-record', severity: 'error', from: { path: '^core/src/spindle' }, to: { path: '^core/src/(simulation|procedures|proving)' } },
    { name: 'simulation-writes-captures', severity: 'error', comment: 'The stand-in feeds the pipeline; nothing in the pipeline knows it.', from: { path: '^core/src/(?!simulation)' }, to: { path: '^core/src/simulation' } },
    { name: 'public-faces', severity: 'error', comment: 'Other folders of core are used through their index.', from: { path: '^core/src/([^/]+)/' }, to: { path: '^core/src/([^/]+)/(?!index\\.ts$)', pathNot: '^core/src/$1/' } },
    { name: 'faces-of-core', severity: 'error', comment: 'Users of core import a folder, not a file.', from: { path: '^(web|cli|demo)/' }, to: { path: '^core/src/[^/]+/(?!index\\.ts$)' } },
    { name: 'app-not-server', severity: 'error', from: { path: '^web/app' }, to: { path: '^web/server' } },
    { name: 'server-not-app', severity: 'error', from: { path: '^web/server' }, to: { path: '^web/app' } },
    { name: 'cli-not-web', severity: 'error', from: { path: '^cli' }, to: { path: '^web' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)\\.(nuxt|output)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'], extensions: ['.ts', '.mts', '.js', '.mjs', '.vue', '.d.ts'] },
  },
}
