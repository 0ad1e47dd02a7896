import katex from 'katex';
import 'katex/dist/katex.min.css';
import { useEffect, useRef } from 'react';

/**
 * A formula set by KaTeX, with its MathML for those who listen. Loaded only where a formula is opened. Built as nodes
 * rather than as markup, because the page allows no style written into markup.
 */
export default function Formula({ tex }: { tex: string }) {
  const place = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    if (place.current)
      katex.render(tex, place.current, { throwOnError: false, output: 'htmlAndMathml', strict: false });
  }, [tex]);
  return <span ref={place} />;
}
