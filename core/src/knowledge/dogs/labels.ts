import type { Joint, Leg, Mood } from '../../words/index.js';
export const JOINT_LABELS: Readonly<Record<Joint, string>> = {
  neck: 'neck',
  shoulder_left: 'left shoulder',
  shoulder_right: 'right shoulder',
  elbow_left: 'left elbow',
  elbow_right: 'right elbow',
  back: 'back',
  hip_left: 'left hip',
  hip_right: 'right hip',
  knee_left: 'left knee',
  knee_right: 'right knee',
};

export const MOOD_LABELS: Readonly<Record<Mood, string>> = {
  relaxed: 'relaxed',
  still: 'still',
  tense: 'tense',
  tired_out: 'tired out',
  shut_down: 'shut down',
  frantic: 'frantic',
};

export const LEG_LABELS: Readonly<Record<Leg, string>> = {
  fore_left: 'left foreleg',
  fore_right: 'right foreleg',
  hind_left: 'left hind leg',
  hind_right: 'right hind leg',
};
