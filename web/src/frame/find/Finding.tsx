import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import type { Me, MyCourse } from '../../api/client';
import type { Thing } from './found';

const FindDialog = lazy(async () => {
  const [loaded] = await Promise.all([import('./FindDialog'), import('../../i18n/staff')]);
  return loaded;
});

/** Keeps what is typed until the dialog is there: who presses Ctrl K types on. */
function Early({ onKey }: { onKey: (key: string) => void }) {
  const now = useRef(onKey);
  now.current = onKey;
  useEffect(() => {
    const keep = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key.length !== 1 && event.key !== 'Backspace') return;
      event.preventDefault();
      event.stopPropagation();
      now.current(event.key);
    };
    window.addEventListener('keydown', keep, { capture: true });
    return () => window.removeEventListener('keydown', keep, { capture: true });
  }, []);
  return null;
}

/** The dialog that finds, fetched when it is opened first. */
export function Finding(props: {
  me: Me;
  course: MyCourse | undefined;
  acts: Thing[];
  onClose: () => void;
}) {
  const [early, setEarly] = useState('');
  const type = (key: string) =>
    setEarly((typed) => (key === 'Backspace' ? typed.slice(0, -1) : typed + key));
  return (
    <Suspense fallback={<Early onKey={type} />}>
      <FindDialog {...props} early={early} />
    </Suspense>
  );
}
