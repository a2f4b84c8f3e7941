import { Alert, Box, MenuItem, TextField, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useController, useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { Field, FormDialog } from '../ui/FormDialog';
import { fromLocalInput } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { type Fields, useFields, whole } from '../ui/useFields';
import { FormWhen } from '../ui/when/FormWhen';
import { when } from '../ui/when/schema';
import { useSendException } from './useSendException';
import { useTakingBack } from './useTakingBack';

const KINDS = ['OPEN', 'EXCUSE', 'MOVE_DUE', 'ADD_ATTEMPTS', 'ADD_TIME', 'START_ANEW'] as const;
export type ExceptionKind = (typeof KINDS)[number];

/** What can end by itself at a moment. */
const ENDS: ReadonlySet<ExceptionKind> = new Set(['OPEN', 'EXCUSE', 'ADD_ATTEMPTS', 'ADD_TIME']);

const exception = z.object({
  kind: z.enum(KINDS),
  step: whole(1, Number.MAX_SAFE_INTEGER),
  due: when('moment'),
  until: when('moment'),
  attempts: whole(1, 20),
  minutes: whole(1, 600),
  reason: z.string(),
});
type Exception = z.infer<typeof exception>;
type Typed = z.input<typeof exception>;

interface Props {
  learners: { enrolment: number; name: string }[];
  /** Of which one is chosen, where there is more than one. */
  steps: { id: number; name: string }[];
  kind?: ExceptionKind;
  onClose: () => void;
  onDone?: () => void;
}

/** The same exception for several learners; who has it already is told, and the rest get it. */
export function ExceptionDialog({ learners, steps, kind: first = 'OPEN', onClose, onDone }: Props) {
  const t = useTranslations();
  const notice = useNotice();
  const send = useSendException();
  const takeBack = useTakingBack();
  const fields = useFields<Typed, Exception>(exception, {
    kind: first,
    step: steps[0]?.id ?? 0,
    due: '',
    until: '',
    attempts: 1,
    minutes: 10,
    reason: '',
  });
  const kind = useWatch({ control: fields.control, name: 'kind' });
  const give = useMutation({
    mutationFn: (filled: Exception) =>
      send(
        learners.map((l) => l.enrolment),
        {
          kind: filled.kind,
          step: filled.step,
          reason: filled.reason,
          ...(ENDS.has(filled.kind) &&
            filled.until && { until: fromLocalInput(filled.until) as string }),
          ...(filled.kind === 'MOVE_DUE' &&
            filled.due && { due: fromLocalInput(filled.due) as string }),
          ...(filled.kind === 'ADD_ATTEMPTS' && { attempts: filled.attempts }),
          ...(filled.kind === 'ADD_TIME' && { minutes: filled.minutes }),
        },
      ),
    onSuccess: ({ given, left }) => {
      if (left.length > 0) return;
      notice({
        tone: 'success',
        text: t('watch.exceptionsGiven', { count: given.length }),
        undo: () => takeBack(given),
      });
      onDone?.();
      onClose();
    },
  });
  const left = give.data?.left ?? [];
  const nameOf = (enrolment: number) => learners.find((l) => l.enrolment === enrolment)?.name;
  return (
    <FormDialog
      title={t('watch.exceptionFor', {
        count: learners.length,
        name: learners[0]?.name ?? '',
      })}
      fields={fields}
      send={give}
      button={t('watch.exceptionGive')}
      {...(left.length > 0 && { leave: t('common.close') })}
      onClose={onClose}
    >
      <Chosen of={fields} name="kind" label={t('watch.exceptionKind')}>
        {KINDS.map((k) => (
          <MenuItem key={k} value={k}>
            {t(`watch.exceptionKinds.${k}`)}
          </MenuItem>
        ))}
      </Chosen>
      {steps.length === 1 ? (
        <Typography>{steps[0]?.name}</Typography>
      ) : (
        <Chosen of={fields} name="step" label={t('plan.step')}>
          {steps.map((s) => (
            <MenuItem key={s.id} value={s.id}>
              {s.name}
            </MenuItem>
          ))}
        </Chosen>
      )}
      {kind === 'EXCUSE' && <Typography>{t('watch.excuseHint')}</Typography>}
      {kind === 'START_ANEW' && <Typography>{t('watch.anewHint')}</Typography>}
      {kind === 'ADD_TIME' && <Typography>{t('watch.timeHint')}</Typography>}
      {kind === 'MOVE_DUE' && (
        <FormWhen of={fields} name="due" label={t('watch.newDue')} kind="moment" />
      )}
      {kind === 'ADD_ATTEMPTS' && (
        <Field of={fields} name="attempts" label={t('watch.attemptsMore')} type="number" />
      )}
      {kind === 'ADD_TIME' && (
        <Field of={fields} name="minutes" label={t('watch.minutesMore')} type="number" />
      )}
      {ENDS.has(kind) && (
        <FormWhen of={fields} name="until" label={t('watch.exceptionUntil')} kind="moment" />
      )}
      <Field of={fields} name="reason" label={t('watch.reason')} />
      {left.length > 0 && (
        <Alert role="status" severity="info">
          {t('watch.exceptionsLeft', { given: give.data?.given.length ?? 0 })}
          <Box component="ul" sx={{ my: 0.5, pl: 2 }}>
            {left.map((l) => (
              <Typography component="li" variant="body2" key={l.enrolment}>
                {nameOf(l.enrolment)}: {l.why}
              </Typography>
            ))}
          </Box>
        </Alert>
      )}
    </FormDialog>
  );
}

function Chosen({
  of,
  name,
  label,
  children,
}: {
  of: Fields<Typed, Exception>;
  name: 'kind' | 'step';
  label: string;
  children: React.ReactNode;
}) {
  const { field, fieldState } = useController({ control: of.control, name });
  return (
    <TextField
      select
      fullWidth
      label={label}
      {...field}
      error={fieldState.invalid}
      helperText={fieldState.error?.message}
    >
      {children}
    </TextField>
  );
}
