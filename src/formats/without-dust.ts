/** A number with more digits than a double holds, "−0.10000000000000001": its sign, digits and mark as typed. */
const tooLong = /^([+−-]?)(\d*)([.,])(\d+)$/;

/**
 * A number as a spreadsheet shows it: the fifteen digits it guarantees, not a double's last noise. Digits that are no
 * noise, fifteen or more that mean something, stay as they are.
 */
export function withoutDust(text: string): string {
  if (text.length < 17) return text;
  const [, sign = '', whole = '', mark = '', digits = ''] = tooLong.exec(text.trim()) ?? [];
  const long = `${whole}${digits}`.replace(/^0+/, '');
  if (mark === '' || long.length < 16) return text;
  const short = String(Number(Number(`${whole}.${digits}`).toPrecision(15)));
  // Noise ends in a run of zeros or nines: without it hardly any digits are left.
  return short.includes('e') || short.replace('.', '').length > 13 ? text : `${sign}${short.replace('.', mark)}`;
}
