import { Copy } from 'lucide-react';
import type { ReactNode } from 'react';
import { tell } from '../kit/tell';

/** What is copied, for programs that take text alone and for those that take its form too. */
export interface Copied {
  plain: string;
  html?: string | undefined;
}

/** Copies a text or a table, as rich text where the clipboard takes it. */
export function CopyButton({
  copied,
  label,
  children = 'Copy',
}: {
  copied: () => Copied;
  label?: string;
  children?: ReactNode;
}) {
  const copy = async () => {
    const { plain, html } = copied();
    try {
      await navigator.clipboard.write([
        new ClipboardItem({
          'text/plain': new Blob([plain], { type: 'text/plain' }),
          ...(html === undefined ? {} : { 'text/html': new Blob([html], { type: 'text/html' }) }),
        }),
      ]);
      tell({ text: 'Copied' });
    } catch {
      tell({ text: 'The browser did not allow copying: select it and press Ctrl+C.', stays: true });
    }
  };
  return (
    <button type="button" className="plain-button text-[13px]" onClick={() => void copy()} aria-label={label}>
      <Copy size={14} aria-hidden /> {children}
    </button>
  );
}
