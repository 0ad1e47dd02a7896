/** Everything a page can do or lead to, by the names it already has: links, buttons, parts that can be changed, menus. */
import { $pageActions } from '../shared/page-commands';

export interface Command {
  name: string;
  /** Where it belongs: a part of the study, or this page. */
  group: string;
  run: () => void;
}

const nameOf = (element: Element): string =>
  (element.getAttribute('aria-label') ?? element.textContent).replace(/\s+/g, ' ').trim();

const seen = (element: Element): boolean =>
  element.getClientRects().length > 0 && element.closest('[inert], [role=grid], dialog') === null;

function places(): Command[] {
  const own = [...document.querySelectorAll('nav[aria-label=Study] section')].flatMap((section) => {
    const group = nameOf(section.querySelector('h2') ?? section);
    return [...section.querySelectorAll<HTMLAnchorElement>('a[href]')].map((link) => ({
      // By its whole name: under its question a figure goes by its kind alone.
      name: link.dataset['name'] ?? nameOf(link),
      group: link.dataset['group'] ?? group,
      run: () => link.click(),
    }));
  });
  const shelf = { name: 'Shelf of studies', group: 'Divide', run: () => window.location.assign('/') };
  const listed = [...document.querySelectorAll<HTMLAnchorElement>('main ol a[href^="/studies/"]')].map((link) => ({
    name: nameOf(link),
    group: 'Studies',
    run: () => link.click(),
  }));
  const help = { name: 'Methods and terms', group: 'Divide', run: () => window.location.assign('/help') };
  return [...own, ...listed, shelf, help];
}

function actions(): Command[] {
  const all = document.querySelectorAll<HTMLElement>(
    'header button, header a[download], main button, main summary, main a[href], main select[aria-label], main input[aria-label], main textarea[aria-label]',
  );
  return [...all].filter(seen).flatMap((element): Command[] => {
    const name = nameOf(element);
    if (name === '' || (element as HTMLButtonElement).disabled || element.closest('main ol')) return [];
    const field = element.matches('select, input, textarea');
    const run = () => {
      element.scrollIntoView({ block: 'center' });
      element.focus();
      if (!field) element.click();
    };
    return [{ name, group: field ? 'change' : 'do', run }];
  });
}

/** What is folded away: in menus, or without a place of its own. */
const folded = (): Command[] =>
  $pageActions.get().flatMap(({ name, run, disabled }) => (disabled ? [] : [{ name, group: 'do', run }]));

/** What can be gone to and done here, each name once. */
export function commandsHere(): Command[] {
  const known = new Set<string>();
  return [...places(), ...actions(), ...folded()].filter(({ name, group }) => {
    const key = `${group} ${name}`;
    if (known.has(key)) return false;
    known.add(key);
    return true;
  });
}

/** Those that hold every word typed; names that begin with it come first. */
export function found(all: readonly Command[], typed: string): Command[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const first = words[0] ?? '';
  return all
    .filter(({ name, group }) => words.every((w) => `${name} ${group}`.toLowerCase().includes(w)))
    .map((command, i) => ({ command, i, begins: command.name.toLowerCase().startsWith(first) }))
    .sort((a, b) => Number(b.begins) - Number(a.begins) || a.i - b.i)
    .map(({ command }) => command);
}
