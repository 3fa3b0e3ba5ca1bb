import fc from 'fast-check';

/** Mutation runs must see the same inputs every time; the usual runner sets its own seed. */
fc.configureGlobal({ seed: 20261125 });
