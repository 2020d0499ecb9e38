const DAYS = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];

/** A moment of the yard's clock: 11:40 today, else Wed 07:20, from a week on Mon 20. */
export function clockOf(stamp: string, now: string): string {
  if (!stamp) return "";
  const [then, today] = [Date.parse(`${stamp}Z`), Date.parse(`${now.slice(0, 10)}T00:00Z`)];
  const days = Math.floor((then - today) / 86_400_000);
  const at = stamp.slice(11, 16);
  if (days === 0) return at;
  const name = DAYS[new Date(then).getUTCDay()] ?? "";
  return days > 0 && days < 6 ? `${name} ${at}` : `${name} ${Number(stamp.slice(8, 10))}`;
}
