import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Link,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type RuleNode } from '../api/client';
import { useCourse } from '../frame/course';
import type { Place } from './RuleEditor';

interface Props {
  title: string;
  at: Place;
  text: string;
  needed: boolean;
  onTake: (rule: RuleNode | undefined) => void;
  onClose: () => void;
}

/** A rule as text: to copy, to paste, to change by typing. */
export default function RuleTextDialog({ title, at, text, needed, onTake, onClose }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const field = useRef<HTMLTextAreaElement>(null);
  const [typed, setTyped] = useState(text);
  const [copied, setCopied] = useState(false);
  const read = useMutation({
    mutationFn: (asked: string) =>
      body(
        api.POST('/api/courses/{course}/design/rules/read', {
          params: { path: { course: course.id } },
          body: { ...at, text: asked },
        }),
      ),
    onSuccess: ({ rule, fault }) => {
      if (rule) {
        onTake(rule.root);
        onClose();
      }
      if (fault) mark(field.current, typed, fault);
    },
  });
  const fault = read.data?.fault;
  const take = () => {
    if (typed.trim() === '' && !needed) {
      onTake(undefined);
      onClose();
    } else read.mutate(typed);
  };
  const copy = async () => {
    field.current?.select();
    await navigator.clipboard?.writeText(typed);
    setCopied(true);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('plan.ruleText', { rule: title })}</DialogTitle>
      <DialogContent>
        <TextField
          autoFocus
          fullWidth
          multiline
          minRows={6}
          maxRows={20}
          value={typed}
          inputRef={field}
          error={fault !== undefined}
          onChange={(e) => {
            setTyped(e.target.value);
            setCopied(false);
            read.reset();
          }}
          slotProps={{
            htmlInput: {
              'aria-label': t('plan.ruleText', { rule: title }),
              'aria-describedby': 'rule-text-said',
              spellCheck: false,
            },
          }}
          sx={{ '& textarea': { fontFamily: 'monospace', fontSize: 13, lineHeight: 1.6 } }}
        />
        <div id="rule-text-said">
          {fault ? (
            <Alert severity="error" sx={{ mt: 1 }}>
              {t('plan.ruleTextAt', { line: fault.line, column: fault.column })} {fault.says}
            </Alert>
          ) : (
            <Typography variant="caption" color="textSecondary">
              {t('plan.ruleTextHint')}{' '}
              <Link href={`/api/courses/${course.id}/design/rules/text`} download>
                {t('plan.ruleTextAll')}
              </Link>
            </Typography>
          )}
        </div>
        {read.error && (
          <Alert severity="error" sx={{ mt: 1 }}>
            {read.error.message}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={() => void copy()} sx={{ mr: 'auto' }}>
          {t(copied ? 'plan.ruleTextCopied' : 'plan.ruleTextCopy')}
        </Button>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button variant="contained" onClick={take} disabled={read.isPending}>
          {t('plan.ruleTextTake')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Puts the caret where the text cannot be read. */
function mark(
  field: HTMLTextAreaElement | null,
  text: string,
  fault: { line: number; column: number },
) {
  const before = text.split('\n').slice(0, fault.line - 1);
  const at = before.reduce((sum, line) => sum + line.length + 1, 0) + fault.column - 1;
  field?.focus();
  field?.setSelectionRange(at, at);
}
