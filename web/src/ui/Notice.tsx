import {
  createContext,
  lazy,
  type ReactNode,
  Suspense,
  useCallback,
  useContext,
  useState,
} from 'react';
import type { Note } from './NoticeBar';

const NoticeBar = lazy(() => import('./NoticeBar'));

const NoticeContext = createContext<(note: Note) => void>(() => {});

/** Says results and failures in one place that screen readers hear. */
export function NoticeProvider({ children }: { children: ReactNode }) {
  const [note, setNote] = useState<Note | null>(null);
  const show = useCallback((next: Note) => setNote(next), []);
  return (
    <NoticeContext value={show}>
      {children}
      {note && (
        <Suspense fallback={null}>
          <NoticeBar note={note} onClose={() => setNote(null)} />
        </Suspense>
      )}
    </NoticeContext>
  );
}

export const useNotice = () => useContext(NoticeContext);
