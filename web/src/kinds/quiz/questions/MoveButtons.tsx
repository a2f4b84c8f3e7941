import { Button } from '@mui/material';
import { useTranslations } from 'use-intl';

interface Props<T> {
  things: T[];
  at: number;
  name: string;
  onMove: (things: T[]) => void;
}

/** Moves a thing one place up or down; no dragging is needed. */
export function MoveButtons<T>({ things, at, name, onMove }: Props<T>) {
  const t = useTranslations();
  const move = (to: number) => {
    const next = [...things];
    next.splice(to, 0, ...next.splice(at, 1));
    onMove(next);
  };
  return (
    <>
      <Button
        size="small"
        sx={{ minWidth: 32, px: 0 }}
        disabled={at === 0}
        aria-label={t('learn.moveUp', { name })}
        onClick={() => move(at - 1)}
      >
        ↑
      </Button>
      <Button
        size="small"
        sx={{ minWidth: 32, px: 0 }}
        disabled={at === things.length - 1}
        aria-label={t('learn.moveDown', { name })}
        onClick={() => move(at + 1)}
      >
        ↓
      </Button>
    </>
  );
}
