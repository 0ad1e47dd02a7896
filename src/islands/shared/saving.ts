/** How far the last change has come, as the page says it. */
export type Saving =
  | { state: 'saved' }
  | { state: 'saving' }
  /** No answer yet: it is kept here and tried again. */
  | { state: 'waiting' }
  /** Refused, with the reason; what was typed is kept here. */
  | { state: 'refused'; reason: string };
