/** Who may import whom: each workspace and each room of core and web looks only at those before it, for types too. */
const order = (name, rooms, base) =>
  rooms.slice(0, -1).map((room, i) => ({
    name: `${name}-${room.replace(/\W+/g, '-')}`,
    severity: 'error',
    comment: `${room} may not import from what stands on it`,
    from: { path: `^${base}/(${room})`, pathNot: '\\.test\\.tsx?$' },
    to: { path: `^${base}/(${rooms.slice(i + 1).join('|')})` },
  }))

/** A setting has what is stored of it and its law below the documents, what one starts from below the survey, and its view above the loop. */
const settings = {
  stored:
    'settings/([^/]+/(fields|binds|law/|move|replan|stageGroup|weekPlan)|behaviour|binding|controllerPlan|everyBinds|everyPlan|fieldParts|parameterQuantities|planFields)',
  start: 'settings/[^/]+/start',
  view: 'settings/([^/]+/[^/]+View|[^/]+/(resetSeason|leastReturn|switchingScale)|conditions|consequences|cutOuts|plannedValues|rungLoad|setParts|workingRange)',
}

module.exports = {
  forbidden: [
    {
      name: 'no-loops',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'no-undeclared',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$|/testing(\\.ts|/)|^e2e/' },
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown', 'unknown'] },
    },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
    {
      name: 'core-alone',
      severity: 'error',
      comment: 'core has no dependency and no input or output',
      from: { path: '^core/src', pathNot: '\\.test\\.tsx?$|/testing/' },
      to: { pathNot: '^core/src' },
    },
    {
      name: 'contract-on-core',
      severity: 'error',
      from: { path: '^contract/src' },
      to: { path: '^(server|web|cli|e2e)/' },
    },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/src' }, to: { path: '^(web|cli|e2e)/' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/src' }, to: { path: '^(server|cli|e2e|shelf)/' } },
    { name: 'cli-not-others', severity: 'error', from: { path: '^cli/src' }, to: { path: '^(server|web|e2e)/' } },
    {
      name: 'e2e-no-product',
      severity: 'error',
      comment: 'browser tests drive the running programs; what they spoil, and what is answered, they know by name',
      from: { path: '^e2e' },
      to: { path: '^(core|contract|server|web|cli)/', pathNot: '^core/src/testing/|^contract/src/api' },
    },
    {
      name: 'no-tests-in-product',
      severity: 'error',
      comment: 'the demo job is written by a script, with what sound work reads',
      from: { pathNot: '\\.test\\.tsx?$|/testing(\\.ts|/)|^demo/|^e2e/|^server/src/faults/' },
      to: { path: '\\.test\\.tsx?$|/testing(\\.ts|/)' },
    },
    {
      name: 'strangers',
      severity: 'error',
      comment: 'a probe, a control law and a thermal network do not know one another',
      from: { path: '^core/src/(probes|control|plant)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^core/src/(probes|control|plant)/', pathNot: '^core/src/$1/' },
    },
    {
      name: 'pages-apart',
      severity: 'error',
      from: { path: '^web/src/features/([^/]+)/' },
      to: { path: '^web/src/features/', pathNot: '^web/src/features/$1/' },
    },
    {
      name: 'registry-last',
      severity: 'error',
      comment: 'nothing in core imports the registry but the registry',
      from: { path: '^core/src/(?!calc/)', pathNot: '\\.test\\.tsx?$|/testing/' },
      to: { path: '^core/src/calc/' },
    },
    ...order(
      'core',
      [
        '(units|numeric|signal|series|time|memory)/',
        '(probes|control|plant|net)/',
        'schema/',
        'choices/',
        settings.stored,
        'words/',
        'kinds/',
        'device/',
        'document/',
        'wiring/',
        settings.start,
        'survey/',
        'shapes/',
        'loop/',
        settings.view,
        'simulate/',
        'commissioning/',
        'check/',
        'progress/',
        'actions/',
        'find/',
        'calc/',
      ],
      'core/src',
    ),
    ...order(
      'web',
      ['lib/', 'workers/', 'state/', 'design/', 'drawing/', 'loop/', 'features/', 'app/', 'gallery/'],
      'web/src',
    ),
  ],
  options: {
    tsPreCompilationDeps: 'specify',
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
}
