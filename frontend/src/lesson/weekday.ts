/** Short name of the weekday that lies `days` after a date. */
export function weekday(from: string, days: number): string {
  const date = new Date(`${from}T12:00:00`);
  date.setDate(date.getDate() + days);
  return date.toLocaleDateString('en-GB', { weekday: 'short' });
}
