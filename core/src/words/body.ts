export const JOINTS = [
  'neck',
  'shoulder_left',
  'shoulder_right',
  'elbow_left',
  'elbow_right',
  'back',
  'hip_left',
  'hip_right',
  'knee_left',
  'knee_right',
] as const;

export type Joint = (typeof JOINTS)[number];

export const JOINT_COMFORTS = ['free', 'stiff', 'painful'] as const;

export type JointComfort = (typeof JOINT_COMFORTS)[number];

export const LEGS = ['fore_left', 'fore_right', 'hind_left', 'hind_right'] as const;

export type Leg = (typeof LEGS)[number];
