import { Box, IconButton, TextField, Tooltip } from '@mui/material';
import { lazy, type ReactNode, Suspense } from 'react';
import { useTranslations } from 'use-intl';
import { plainText } from '../../../ui/html';
import { useFilesOfQuestions } from './filesOfQuestions';

const TextEditor = lazy(() => import('../../../ui/editor/TextEditor'));

interface Words {
  text: string;
  formatted?: string;
}

interface Props {
  words: Words;
  /** Names the field; shown above it where there is room. */
  label: string;
  /** Whether the label is said to screen readers only. */
  bare?: boolean;
  missing?: boolean;
  autoFocus?: boolean;
  onChange: (words: Words) => void;
  onLeave?: () => void;
  /** What stands beside the field. */
  more?: ReactNode;
}

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

const asHtml = (text: string) =>
  text
    .split('\n')
    .map((line) => `<p>${escaped(line)}</p>`)
    .join('');

/** Words as plain as most are, or formatted with pictures and formulas. */
export function WordsField({
  words,
  label,
  bare = false,
  missing = false,
  autoFocus = false,
  onChange,
  onLeave,
  more,
}: Props) {
  const t = useTranslations();
  const { door } = useFilesOfQuestions();
  const isFormatted = words.formatted !== undefined;
  const turn = () =>
    onChange(
      isFormatted
        ? { text: plainText(words.formatted ?? '') }
        : { text: words.text, formatted: asHtml(words.text) },
    );
  return (
    <Box
      sx={{ display: 'flex', alignItems: isFormatted ? 'start' : 'center', flex: 1, minWidth: 0 }}
    >
      {isFormatted ? (
        <Box sx={{ flex: 1, minWidth: 0, '& .ProseMirror': { minHeight: '56px !important' } }}>
          <Suspense fallback={<Box sx={{ minHeight: 110 }} />}>
            <TextEditor
              label={label}
              html={words.formatted ?? ''}
              {...(door && { files: door })}
              autoFocus={autoFocus}
              onChange={(formatted) => onChange({ text: plainText(formatted), formatted })}
            />
          </Suspense>
        </Box>
      ) : (
        <TextField
          {...(bare ? { placeholder: label } : { label })}
          multiline
          value={words.text}
          autoFocus={autoFocus}
          error={missing}
          onChange={(e) => onChange({ text: e.target.value })}
          {...(onLeave && { onBlur: onLeave })}
          slotProps={{ htmlInput: { ...(bare && { 'aria-label': label }) } }}
        />
      )}
      <Tooltip title={t(isFormatted ? 'plan.plainAgain' : 'plan.formatted')}>
        <IconButton
          size="small"
          aria-label={`${t(isFormatted ? 'plan.plainAgain' : 'plan.formatted')}: ${label}`}
          onClick={turn}
          sx={{ fontSize: 13, fontWeight: 700, minWidth: 28 }}
        >
          {isFormatted ? 'T' : '¶'}
        </IconButton>
      </Tooltip>
      {more}
    </Box>
  );
}
