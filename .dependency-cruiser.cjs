/**
 * Arrows run one way: app → core; api and tasks → services → db, outside, render, queue/add; everything → core.
 * That no subject of services stands in a circle with another is looked at by scripts/house.mjs.
 */
module.exports = {
  forbidden: [
    {
      name: 'the core is pure',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$|^core/testing/' },
      to: { path: '^(server|app|demo|standins|tests|bench)/' },
    },
    {
      name: 'the interface knows the server by its contract alone',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^(server|demo|standins|tests|bench)/' },
    },
    {
      name: 'services know nothing of what calls them',
      severity: 'error',
      from: { path: '^server/services/' },
      to: { path: '^server/(api|queue/tasks|queue/run-worker|plugins)|^(app|demo|standins|tests|bench)/' },
    },
    {
      name: 'the database knows no service',
      severity: 'error',
      from: { path: '^server/db/' },
      to: { path: '^server/(services|api|queue|outside|render)/' },
    },
    {
      name: 'what reaches outside is called, and calls no service',
      severity: 'error',
      from: { path: '^server/(outside|render)/' },
      to: { path: '^server/(services|api|queue)/' },
    },
    {
      name: 'routes and tasks call services only',
      severity: 'error',
      from: { path: '^server/(api|queue/tasks)/' },
      to: { path: '^server/(db/|outside/)' },
    },
    {
      name: 'the simulated outside world uses nothing of ours',
      severity: 'error',
      from: { path: '^standins/' },
      to: { path: '^(server|core|app)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    exclude: { path: '(^|/)(\\.nuxt|\\.output|\\.build)/' },
  },
}
