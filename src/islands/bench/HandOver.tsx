import { useState } from 'react';
import { inWords, send } from '../shared/api';
import { Choose, byName } from '../kit/Parts';

interface Study {
  id: string;
  title: string;
}

/** Hands what a tool made to a study: chosen from the shelf, which is fetched when it is asked for. */
export function HandOver({ words, give }: { words: string; give: (study: Study) => Promise<string> }) {
  const [studies, setStudies] = useState<Study[]>();
  const [said, setSaid] = useState<{ words: string; href?: string; trouble?: boolean }>();
  const failed = (error: unknown) => setSaid({ words: inWords(error), trouble: true });
  const open = () => {
    setSaid(undefined);
    send<Study[]>('GET', '/api/studies').then(setStudies, failed);
  };
  const to = (id: string) => {
    const study = studies?.find((s) => s.id === id);
    if (!study) return;
    give(study).then((href) => setSaid({ words: `Handed to “${study.title}”.`, href }), failed);
    setStudies(undefined);
  };
  return (
    <span className="not-print text-sm">
      {studies === undefined ? (
        <button type="button" className="plain-button" onClick={open}>
          {words}
        </button>
      ) : studies.length === 0 ? (
        <span className="text-muted">There is no study on the shelf yet.</span>
      ) : (
        <Choose
          label={words}
          value={undefined}
          prompt="to which study …"
          autoFocus
          options={byName(studies, (s) => s.title)}
          onChange={to}
        />
      )}{' '}
      {said && (
        <span role={said.trouble ? 'alert' : 'status'} className={said.trouble ? 'text-error' : 'text-muted'}>
          {said.words}{' '}
          {said.href && (
            <a className="plain-button" href={said.href}>
              Look
            </a>
          )}
        </span>
      )}
    </span>
  );
}

/** Puts a paragraph at the end of a study’s write-up. @returns where it stands */
export async function toWriteUp(study: Study, text: string): Promise<string> {
  await send('POST', `/api/studies/${study.id}/write-up/append`, { text });
  return `/studies/${study.id}/write-up`;
}
