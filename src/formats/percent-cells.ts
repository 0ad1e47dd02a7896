/** Cells of a workbook that are shown as percentages: "58.6 %" where the file holds 0.586. */

const text = (part: Uint8Array | undefined): string => (part ? new TextDecoder().decode(part) : '');
const attribute = (tag: string, name: string): string => new RegExp(`\\s${name}="([^"]*)"`).exec(tag)?.[1] ?? '';

/** The styles, by their number, whose numbers are shown as percentages. */
function percentStyles(styles: string): Set<string> {
  const formats = new Set(['9', '10']);
  for (const [tag] of styles.matchAll(/<numFmt\s[^>]*>/g))
    if (
      attribute(tag, 'formatCode')
        .replace(/"[^"]*"|\\./g, '')
        .includes('%')
    )
      formats.add(attribute(tag, 'numFmtId'));
  const cells = /<cellXfs[^>]*>([\s\S]*?)<\/cellXfs>/.exec(styles)?.[1] ?? '';
  const found = new Set<string>();
  [...cells.matchAll(/<xf\s[^>]*>/g)].forEach(([tag], i) => {
    if (formats.has(attribute(tag, 'numFmtId'))) found.add(String(i));
  });
  return found;
}

/** Each sheet's file by the sheet's name. */
function sheetFiles(parts: Readonly<Record<string, Uint8Array>>): Map<string, string> {
  const targets = new Map<string, string>();
  for (const [tag] of text(parts['xl/_rels/workbook.xml.rels']).matchAll(/<Relationship\s[^>]*>/g))
    targets.set(attribute(tag, 'Id'), `xl/${attribute(tag, 'Target').replace(/^\/?xl\//, '')}`);
  const files = new Map<string, string>();
  for (const [tag] of text(parts['xl/workbook.xml']).matchAll(/<sheet\s[^>]*>/g))
    files.set(attribute(tag, 'name'), targets.get(attribute(tag, 'r:id')) ?? '');
  return files;
}

/** The places, such as "B12", of cells shown as percentages, by the name of their sheet. */
export function percentCells(parts: Readonly<Record<string, Uint8Array>>): Map<string, Set<string>> {
  const styles = percentStyles(text(parts['xl/styles.xml']));
  const found = new Map<string, Set<string>>();
  if (styles.size === 0) return found;
  for (const [name, file] of sheetFiles(parts)) {
    const places = new Set<string>();
    for (const [tag] of text(parts[file]).matchAll(/<c\s[^>]*>/g))
      if (styles.has(attribute(tag, 's')) && ['', 'n'].includes(attribute(tag, 't'))) places.add(attribute(tag, 'r'));
    found.set(name, places);
  }
  return found;
}
