import type { ReactNode } from 'react';

/** A control of a sentence and the mark or unit behind it, in one line: no line begins with a comma. */
export const Joined = ({ children }: { children: ReactNode }) => <span className="joined">{children}</span>;
