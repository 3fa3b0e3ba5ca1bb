import type { Phase, Reached } from '@mansuet/core/words';

/** The screen on which a visit stands: of one that went home the last, of one that is not held the file. */
export function screenOf(reached: Reached): Phase {
  if (reached === 'gone') return 'hand_back';
  return reached === 'off' ? 'know' : reached;
}
