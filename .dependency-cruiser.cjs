/** Which room may know of which. A wrong import fails `npm test`. */
const FEATURES = [
  'account',
  'academy',
  'bag',
  'chart',
  'gaps',
  'pick',
  'players',
  'practice',
  'published',
  'ranges',
  'rounds',
  'session',
]

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-circles-of-rooms',
      severity: 'error',
      comment: 'The rooms of the core stand in a row: what a later one knows, an earlier one does not.',
      scope: 'folder',
      from: { path: '^core/' },
      to: { path: '^core/', circular: true },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      comment:
        'core/ imports itself and small numeric libraries, and parsers ' +
        'of open formats: papaparse for CSV, metar-taf-parser for METAR, xmldom for GPX.',
      from: { path: '^core/' },
      to: {
        pathNot: [
          '^core/',
          '^node_modules/pure-rand/',
          '^node_modules/(@types/)?papaparse/',
          '^node_modules/metar-taf-parser/',
          '^node_modules/@xmldom/xmldom/',
          '^node_modules/lru-cache/',
        ],
      },
    },
    {
      name: 'shared-knows-core-and-zod',
      severity: 'error',
      from: { path: '^shared/' },
      to: { pathNot: ['^shared/', '^core/', '^node_modules/zod/'] },
    },
    {
      name: 'pages-wait-for-no-schema',
      severity: 'error',
      comment: 'Schemas come when a form is checked: app/ui/form-schemas.ts. Types of them cost nothing.',
      from: { path: '^app/', pathNot: '^app/calculation/workers/' },
      to: { path: '^(shared/schemas/|node_modules/zod/)', dependencyTypesNot: ['type-only', 'dynamic-import'] },
    },
    {
      name: 'words-know-core-alone',
      severity: 'error',
      comment: 'Texts are put together from what the core says, for whoever shows them.',
      from: { path: '^words/' },
      to: { pathNot: ['^words/', '^core/', '^node_modules/intl-messageformat/'] },
    },
    {
      name: 'app-not-server',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^(server|demo|scripts|devices)/' },
    },
    {
      name: 'server-not-app',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(app|demo|scripts|devices)/' },
    },
    {
      name: 'sql-only-in-data',
      severity: 'error',
      comment: 'Queries live in server/data/ alone; the health route asks for the migrations.',
      from: { path: '^server/', pathNot: ['^server/(data|db)/', '^server/api/health'] },
      to: {
        path: ['^server/db/', '^node_modules/(drizzle-orm|mysql2)/'],
        pathNot: '^server/db/(client|database|database-errors)',
      },
    },
    {
      name: 'app-one-way',
      severity: 'error',
      comment: 'offline, calculation and ui, then what several stages need of a player, then the features, then pages.',
      from: { path: '^app/(offline|calculation|ui|player)/' },
      to: { path: '^app/(features|pages|layouts|plugins|middleware)/' },
    },
    {
      name: 'offline-and-calculation-show-nothing',
      severity: 'error',
      from: { path: '^app/(offline|calculation)/' },
      to: { path: '^app/(ui/.*[.]vue|player/)' },
    },
    {
      name: 'ui-knows-no-player',
      severity: 'error',
      comment: 'What shows something of a player stands in app/player, for all stages.',
      from: { path: '^app/ui/' },
      to: { path: '^app/player/' },
    },
    {
      name: 'data-knows-no-requests',
      severity: 'error',
      comment: "Queries throw plain errors; what is asked and answered is the routes' business.",
      from: { path: '^server/(data|db)/' },
      to: { path: '^(server/(auth|limits|ingest|api|middleware)/|node_modules/h3/)' },
    },
    ...FEATURES.map(feature => ({
      name: `${feature}-keeps-to-itself`,
      severity: 'error',
      comment: 'A feature knows no other feature: what two need goes up, into app/player or app/ui.',
      from: { path: `^app/features/${feature}/` },
      to: { path: `^app/(features/(${FEATURES.filter(f => f !== feature).join('|')})|pages|layouts)/` },
    })),
    {
      name: 'nothing-unresolved',
      severity: 'error',
      comment: 'Tools whose packages are installed by their own command alone are apart.',
      from: { pathNot: '^tools/' },
      to: { couldNotResolve: true, pathNot: ['^#', '^bun:', '^virtual:'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: ['^\\.nuxt', '^\\.output'] },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.borders.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.mjs', '.js', '.vue', '.json'],
    },
  },
}
