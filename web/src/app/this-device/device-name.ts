const DEVICE_KEY = 'mansuet.device';

/** A name for this device, made once. */
export function deviceName(): string {
  const kept = localStorage.getItem(DEVICE_KEY);
  if (kept) return kept;
  const made = crypto.randomUUID();
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}
