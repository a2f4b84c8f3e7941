import { Box, Button, IconButton } from '@mui/material';
import { type KeyboardEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';

interface Props {
  /** What stands in each line, beside the button that takes it away. */
  lines: { id: string; name: string; line: ReactNode }[];
  /** How many there are at least. */
  least: number;
  add: string;
  onAdd: () => void;
  onRemove: (id: string) => void;
}

const WORDS = 'textarea:not([aria-hidden]), input[type="text"]';

/**
 * Parts of a question in lines, one more and one less. Enter in the words of a line goes on with
 * the next one, and adds one after the last.
 */
export function Lines({ lines, least, add, onAdd, onRemove }: Props) {
  const t = useTranslations();
  const all = useRef<(HTMLElement | null)[]>([]);
  const words = (n: number) => all.current[n]?.querySelector<HTMLElement>(WORDS);
  const [wanted, setWanted] = useState(-1);
  useEffect(() => {
    if (wanted < 0 || wanted >= lines.length) return;
    all.current[wanted]?.querySelector<HTMLElement>(WORDS)?.focus();
    setWanted(-1);
  }, [wanted, lines.length]);
  const goOn = (event: KeyboardEvent<HTMLElement>, n: number) => {
    const plain = event.key === 'Enter' && !event.shiftKey && !event.ctrlKey && !event.metaKey;
    if (!plain || event.target !== words(n) || event.nativeEvent.isComposing) return;
    event.preventDefault();
    if (n === lines.length - 1) {
      if (!(event.target as HTMLInputElement).value.trim()) return;
      onAdd();
    }
    setWanted(n + 1);
  };
  return (
    <>
      {lines.map(({ id, name, line }, n) => (
        <Box
          key={id}
          ref={(here: HTMLElement | null) => {
            all.current[n] = here;
          }}
          onKeyDown={(event) => goOn(event, n)}
          sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}
        >
          {line}
          {lines.length > least && (
            <IconButton
              size="small"
              aria-label={t('plan.removeCondition', { name })}
              onClick={() => onRemove(id)}
            >
              ×
            </IconButton>
          )}
        </Box>
      ))}
      <Button size="small" sx={{ justifySelf: 'start' }} onClick={onAdd}>
        {add}
      </Button>
    </>
  );
}
