/** That something was changed through the server, as its pages hear of it. */
export interface Change {
  method: string;
  /** The address that changed it: it names the study, the table, the question or the figure. */
  path: string;
  /** The page it came from; '' where it was none. */
  window: string;
  /** The name of who did it, where people give names. */
  by: string;
}

/** The header by which a page says which one it is. */
export const windowHeader = 'x-divide-window';

/** Whether a change may have touched what is kept at an address of the study, itself or with all that is in the study. */
export function touches({ method, path }: Change, address: string, study: string): boolean {
  if (path === address || path.startsWith(`${address}/`)) return true;
  const whole = `/api/studies/${study}`;
  return (method === 'DELETE' && path === whole) || path === `${whole}/restore` || path === `${whole}/restore-to`;
}
