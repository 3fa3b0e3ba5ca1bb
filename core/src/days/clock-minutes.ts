/** Minutes from midnight. `minuteOfDay('09:30') // => 570` */
export function minuteOfDay(clock: string): number {
  const [h, m] = clock.split(':').map(Number);
  return (h ?? 0) * 60 + (m ?? 0);
}

/** What the clock shows at a minute of the day, on the days beside it as well. `clockOfMinute(1450) // => '00:10'` */
export function clockOfMinute(minute: number): string {
  const at = ((Math.round(minute) % DAY_MINUTES) + DAY_MINUTES) % DAY_MINUTES;
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
}
const DAY_MINUTES = 24 * 60;
