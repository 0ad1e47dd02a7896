import { Copy } from 'lucide-react';
import { useState } from 'react';
import { type Text, html, plain } from '../../core/words/text';

/** Copies a text, as rich text where the clipboard takes it, so that symbols stay in italics. */
export function CopyButton({ text, what }: { text: Text; what: string }) {
  const [said, setSaid] = useState('');
  const copy = async () => {
    try {
      await navigator.clipboard.write([
        new ClipboardItem({
          'text/plain': new Blob([plain(text)], { type: 'text/plain' }),
          'text/html': new Blob([html(text)], { type: 'text/html' }),
        }),
      ]);
      setSaid('Copied');
    } catch {
      setSaid('The browser did not allow copying: select the text and press Ctrl+C.');
    }
    setTimeout(() => setSaid(''), 4000);
  };
  return (
    <span className="inline-flex items-center gap-2 text-[13px]">
      <button type="button" className="plain-button" onClick={() => void copy()} aria-label={`Copy ${what}`}>
        <Copy size={14} aria-hidden /> Copy
      </button>
      <span role="status">{said}</span>
    </span>
  );
}
