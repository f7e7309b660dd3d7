import fc from 'fast-check';

/** Properties are looked at with the same examples each time; FENDREL_SEED asks for others. */
fc.configureGlobal({ seed: Number(process.env.FENDREL_SEED ?? 1) });
