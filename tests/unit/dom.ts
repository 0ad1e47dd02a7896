/** A document for component tests, there from before React is loaded; put away again so that no other test sees it. */
import { Window } from 'happy-dom';

const window = new Window();
// Formulas are set in standards mode alone, and this document does not say that it is in it.
Object.defineProperty(window.document, 'compatMode', { value: 'CSS1Compat' });
const names = ['window', 'document', 'navigator', 'Element', 'HTMLElement', 'HTMLInputElement', 'Node'] as const;
const before = names.map((name) => [name, Object.getOwnPropertyDescriptor(globalThis, name)] as const);

export function openDocument(): void {
  for (const name of names)
    Object.defineProperty(globalThis, name, {
      value: name === 'window' ? window : window[name],
      configurable: true,
      writable: true,
    });
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
}

export function closeDocument(): void {
  for (const [name, descriptor] of before)
    if (descriptor) Object.defineProperty(globalThis, name, descriptor);
    else Reflect.deleteProperty(globalThis, name);
  Reflect.deleteProperty(globalThis, 'IS_REACT_ACT_ENVIRONMENT');
}

openDocument();
