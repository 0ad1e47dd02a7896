/** Units met at a bench, as they are printed; µ and μ alike. */
const known = new Set(
  (
    'm cm mm µm nm km g mg kg µg ng pg L l mL ml µL µl s ms min h d day days week weeks °C K % ‰ M mM µM nM pM mol mmol µmol nmol ' +
    'Pa kPa V mV A mA Hz kHz W lx lux psu ppt ppm ppb PSU pH au a.u. RFU OD cells/mL mg/L µg/L g/L mg/g µmol/m²/s cm² mm² m² cm³ mm³ m³ mm/d cm/d mm/day cm/day'
  ).split(' '),
);

const normalized = (unit: string): string => unit.replaceAll('μ', 'µ').trim();

/** Whether a text is a unit we know. */
export const isUnit = (text: string): boolean => known.has(normalized(text));

/** "Length (mm)" → name and unit. What stands in brackets is a unit only when we know it: "ctrl (day 3)" is a name. */
export function splitUnit(head: string): { name: string; unit: string } {
  const found = /^(.*\S)\s*[([]([^()[\]]+)[)\]]$/u.exec(head.trim());
  const [, name = '', unit = ''] = found ?? [];
  return found && isUnit(unit) ? { name, unit: normalized(unit) } : { name: head.trim(), unit: '' };
}
