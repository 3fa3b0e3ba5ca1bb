export const MOODS = ['relaxed', 'still', 'tense', 'tired_out', 'shut_down', 'frantic'] as const;

/** Relaxed, still, tired out and shut down look alike: they are different entries. */
export type Mood = (typeof MOODS)[number];
