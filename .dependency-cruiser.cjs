/** Which room may know of which. A wrong import fails `npm test`. */
const STAGES = ['account', 'bag', 'chart', 'gaps', 'players', 'published', 'ranges', 'session', 'what-if']

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone', severity: 'error', comment: 'core/ imports itself and small numeric libraries, and parsers of open formats: papaparse for CSV, metar-taf-parser for METAR.',
      from: { path: '^core/' }, to: { pathNot: ['^core/', '^node_modules/@stdlib/', '^node_modules/pure-rand/', '^node_modules/(@types/)?papaparse/', '^node_modules/metar-taf-parser/'] },
    },
    {
      name: 'shared-knows-core-and-zod', severity: 'error',
      from: { path: '^shared/' }, to: { pathNot: ['^shared/', '^core/', '^node_modules/zod/'] },
    },
    { name: 'app-not-server', severity: 'error', from: { path: '^app/' }, to: { path: '^(server|demo|scripts|devices)/' } },
    { name: 'server-not-app', severity: 'error', from: { path: '^server/' }, to: { path: '^(app|demo|scripts|devices)/' } },
    {
      name: 'sql-only-in-data', severity: 'error', comment: 'Queries live in server/data/ alone; the health route asks for the migrations.',
      from: { path: '^server/', pathNot: ['^server/(data|db)/', '^server/api/health'] }, to: { path: ['^server/db/', '^node_modules/(drizzle-orm|mysql2)/'], pathNot: '^server/db/client' },
    },
    ...STAGES.map(stage => ({
      name: `${stage}-keeps-to-itself`, severity: 'error', comment: 'What two stages share goes up.',
      from: { path: `^app/components/${stage}/` }, to: { path: `^app/components/(${STAGES.filter(s => s !== stage).join('|')})/` },
    })),
    { name: 'nothing-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: ['^#', '^bun:', '^virtual:'] } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: ['^\\.nuxt', '^\\.output'] },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.borders.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'], extensions: ['.ts', '.mjs', '.js', '.vue', '.json'] },
  },
}
