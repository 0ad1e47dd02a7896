import { type ReactNode, useEffect, useRef, useState } from 'react';

/**
 * What asks for a file of readings, and the hidden field that takes it, to stand somewhere on the page.
 * @param more further endings that may be chosen
 */
export function useFilePicker(onFile: (file: File) => void, more = ''): { pick: () => void; field: ReactNode } {
  const input = useRef<HTMLInputElement>(null);
  return {
    pick: () => input.current?.click(),
    field: (
      <input
        ref={input}
        type="file"
        className="hidden"
        aria-label="File of readings"
        accept={`.csv,.tsv,.txt,.tab,.dat,.json,.xlsx,text/csv,text/tab-separated-values,text/plain${more}`}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
    ),
  };
}

/** Takes a file dropped anywhere on the page; says so while one is held over it. */
export function useFileDrop(onFile: (file: File) => void): boolean {
  const [over, setOver] = useState(false);
  const newest = useRef(onFile);
  useEffect(() => {
    newest.current = onFile;
  });
  useEffect(() => {
    const holdsFiles = (e: DragEvent) => e.dataTransfer?.types.includes('Files') ?? false;
    const onOver = (e: DragEvent) => {
      if (!holdsFiles(e)) return;
      e.preventDefault();
      setOver(true);
    };
    const onLeave = (e: DragEvent) => {
      if (e.relatedTarget === null) setOver(false);
    };
    const onDrop = (e: DragEvent) => {
      setOver(false);
      if (!holdsFiles(e)) return;
      e.preventDefault();
      const file = e.dataTransfer?.files[0];
      if (file) newest.current(file);
    };
    window.addEventListener('dragover', onOver);
    window.addEventListener('dragleave', onLeave);
    window.addEventListener('drop', onDrop);
    return () => {
      window.removeEventListener('dragover', onOver);
      window.removeEventListener('dragleave', onLeave);
      window.removeEventListener('drop', onDrop);
    };
  }, []);
  return over;
}
