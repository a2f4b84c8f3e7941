import { Box, Button, TextField, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import type { Moment } from '../kinds/room';
import { keysInField } from '../ui/useKeys';

type Words = Partial<Record<Moment, string>>;
type Named = Record<(typeof NAMED)[number], string>;
const NAMED = ['learner', 'step', 'course'] as const;

interface Fault {
  error: boolean;
  helperText?: string;
}

/** Own words, a field for each moment; where one is empty, what is said elsewhere stands in it. */
export function WordFields({
  moments,
  own,
  otherwise,
  named,
  onSave,
  fault = () => ({ error: false }),
}: {
  moments: Moment[];
  own: Words;
  otherwise: Words;
  /** What stands for step and course when it is shown how it reads. */
  named: Omit<Named, 'learner'>;
  onSave: (moment: Moment, text: string) => void;
  fault?: (moment: Moment) => Fault;
}) {
  const me = useQueryClient().getQueryData(queries.me().queryKey);
  const all = { ...named, learner: me?.person?.name ?? '' };
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      {moments.map((moment) => (
        <WordField
          key={moment}
          moment={moment}
          value={own[moment] ?? ''}
          otherwise={otherwise[moment] ?? ''}
          named={all}
          onSave={(text) => onSave(moment, text)}
          fault={fault(moment)}
        />
      ))}
    </Box>
  );
}

/** A text with what stands for a name in braces replaced by the name. */
const read = (text: string, named: Named) =>
  text.replace(/\{(learner|step|course)\}/g, (_, name: keyof Named) => named[name]);

function WordField({
  moment,
  value,
  otherwise,
  named,
  onSave,
  fault,
}: {
  moment: Moment;
  value: string;
  otherwise: string;
  named: Named;
  onSave: (text: string) => void;
  fault: Fault;
}) {
  const t = useTranslations();
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  const [within, setWithin] = useState(false);
  const field = useRef<HTMLTextAreaElement>(null);
  const put = (name: string) => {
    const at = field.current;
    if (!at) return;
    at.focus();
    at.setRangeText(`{${name}}`, at.selectionStart, at.selectionEnd, 'end');
    setText(at.value);
  };
  const shown = text.trim() || otherwise;
  return (
    <Box
      onFocus={() => setWithin(true)}
      onBlur={(e) => {
        if (e.currentTarget.contains(e.relatedTarget)) return;
        setWithin(false);
        if (text.trim() !== value) onSave(text.trim());
      }}
    >
      <TextField
        label={t(`wording.${moment}`)}
        multiline
        minRows={1}
        maxRows={6}
        value={text}
        placeholder={otherwise}
        inputRef={field}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={keysInField({ Escape: () => setText(value) })}
        slotProps={{ inputLabel: { shrink: true } }}
        {...fault}
      />
      {within && (
        <Box sx={{ display: 'flex', gap: 0.5, alignItems: 'center', flexWrap: 'wrap', mt: 0.5 }}>
          <Typography variant="caption" color="textSecondary">
            {t('wording.insert')}
          </Typography>
          {NAMED.filter((name) => name !== 'step' || moment !== 'completed').map((name) => (
            <Button key={name} size="small" onClick={() => put(name)} sx={{ px: 0.75 }}>
              {t(`wording.${name}`)}
            </Button>
          ))}
        </Box>
      )}
      {(within || shown.includes('{')) && !fault.error && (
        <Typography
          variant="body2"
          color="textSecondary"
          sx={{ mt: 0.5, whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}
        >
          {t('wording.reads', { name: named.learner, text: read(shown, named) })}
        </Typography>
      )}
    </Box>
  );
}
