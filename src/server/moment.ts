const when = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
const zone = new Intl.DateTimeFormat('en-GB', { timeZoneName: 'shortOffset' });

/** A moment by the clock of this computer, with its zone: "3 Mar 2026, 14:05 UTC+1". */
export function moment(iso: string): string {
  const at = new Date(iso);
  const named = zone.formatToParts(at).find((p) => p.type === 'timeZoneName')?.value ?? '';
  return `${when.format(at)} ${named.replace('GMT', 'UTC').replace(/\+0$/, '')}`.trimEnd();
}
