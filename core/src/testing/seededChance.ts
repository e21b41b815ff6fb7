import fc from 'fast-check'

/** Chance in tests starts from one seed, so that a run says the same twice; name another to hunt: `NACHTIGAL_SEED=7 npm run unit`. */
fc.configureGlobal({ seed: Number(process.env['NACHTIGAL_SEED'] ?? 20261125) })
