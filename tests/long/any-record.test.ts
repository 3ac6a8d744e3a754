/** The same properties as in the quick lane, on thousands of records drawn by another seed. */
process.env.UZZET_RUNS ??= '3000'
process.env.UZZET_SEED ??= '20261128'
await import('../core/any-record.test')

export {}
