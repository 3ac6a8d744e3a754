import fc from 'fast-check'

/** The same properties as in the quick lane, on thousands of records drawn by another seed than its own. */
process.env.UZZET_RUNS ??= '3000'
fc.configureGlobal({ seed: Number(process.env.UZZET_SEED ?? 20_261_128) })
await import('../core/any-record.test')

export {}
