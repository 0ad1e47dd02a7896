import { Copy } from 'lucide-react';
import { type ReactNode, useEffect, useState } from 'react';

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
  const [said, setSaid] = useState('');
  const copy = async () => {
    const { plain, html } = copied();
    try {
      await navigator.clipboard.write([
        new ClipboardItem({
          'text/plain': new Blob([plain], { type: 'text/plain' }),
          ...(html === undefined ? {} : { 'text/html': new Blob([html], { type: 'text/html' }) }),
        }),
      ]);
      setSaid('Copied');
    } catch {
      setSaid('The browser did not allow copying: select it and press Ctrl+C.');
    }
  };
  // What was said goes after a while, or with the page.
  useEffect(() => {
    if (said === '') return;
    const timer = setTimeout(() => setSaid(''), 4000);
    return () => clearTimeout(timer);
  }, [said]);
  return (
    <span className="inline-flex items-center gap-2 text-[13px]">
      <button type="button" className="plain-button" onClick={() => void copy()} aria-label={label}>
        <Copy size={14} aria-hidden /> {children}
      </button>
      <span role="status">{said}</span>
    </span>
  );
}
