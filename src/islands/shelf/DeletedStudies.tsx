import { useState } from 'react';

export interface DeletedStudy {
  id: string;
  title: string;
  at: string;
}

/** Studies taken off the shelf: each can be brought back, or deleted for good once one has said so twice. */
export function DeletedStudies({
  studies,
  onBringBack,
  onDelete,
}: {
  studies: readonly DeletedStudy[];
  onBringBack: (study: DeletedStudy) => void;
  onDelete: (study: DeletedStudy) => void;
}) {
  const [asked, setAsked] = useState<string>();
  if (studies.length === 0) return null;
  return (
    <details className="mt-4 text-sm">
      <summary className="w-fit cursor-pointer text-muted">Deleted studies ({studies.length})</summary>
      <ul className="mt-1">
        {studies.map((study) => (
          <li key={study.id} className="flex flex-wrap items-baseline gap-x-4 py-0.5">
            <span className="[overflow-wrap:anywhere]">{study.title}</span>
            <time dateTime={study.at} className="text-muted">
              deleted {new Date(study.at).toLocaleString('sv-SE').slice(0, 16)}
            </time>
            <button
              type="button"
              className="plain-button"
              aria-label={`Bring back ${study.title}`}
              onClick={() => onBringBack(study)}
            >
              Bring back
            </button>
            {asked === study.id ? (
              <span role="alert">
                Its readings, questions and log go for good.{' '}
                <button type="button" className="plain-button text-error" onClick={() => onDelete(study)}>
                  Delete for good
                </button>{' '}
                <button type="button" className="plain-button" onClick={() => setAsked(undefined)}>
                  Keep it
                </button>
              </span>
            ) : (
              <button
                type="button"
                className="plain-button"
                aria-label={`Delete ${study.title} for good`}
                onClick={() => setAsked(study.id)}
              >
                Delete for good
              </button>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
