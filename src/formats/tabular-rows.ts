/** Rows of a typesetter's table, "red & 20.1 \\", as its source has them. */

const rules = /^\s*\\(?:hline|toprule|midrule|bottomrule|cline|cmidrule|begin|end|centering|caption|label)\b.*$/;

/** The rows of such a table; undefined of any other text. */
export function tabularRows(text: string): string[][] | undefined {
  if (!/&.*\\\\/.test(text.slice(0, 2000))) return undefined;
  const lines = text.split('\n').filter((line) => line.trim() !== '' && !rules.test(line));
  if (lines.length < 2 || !lines.every((line) => line.includes('&'))) return undefined;
  return lines.map((line) =>
    line
      .replace(/\\\\.*$/, '')
      .split(/(?<!\\)&/)
      .map((cell) =>
        cell
          .replaceAll('$', '')
          .replaceAll(/\\pm\b/g, '±')
          .replaceAll(/\\([%&_#])/g, '$1')
          .trim(),
      ),
  );
}
