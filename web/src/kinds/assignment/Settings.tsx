import {
  Box,
  FormControl,
  FormControlLabel,
  FormHelperText,
  FormLabel,
  Radio,
  RadioGroup,
  Switch,
  ToggleButton,
  ToggleButtonGroup,
} from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Takes } from '../../api/client';
import { least } from '../../ui/format';
import { SavedField } from '../../ui/SavedField';
import type { AuthorProps } from '../room';
import { PointsField } from '../shared/PointsField';
import { RubricField } from '../shared/RubricField';
import { useOwn } from '../shared/useOwn';

const SORTS = ['TEXT', 'SHEET', 'SLIDES', 'PICTURE', 'SOUND', 'FILM'] as const;
const USUAL = { sorts: [], number: 3, megabytes: 50 };

/** What is handed in, who decides about it, with what it is assessed and for how many points. */
export default function Settings({ step, part: saved, change }: AuthorProps<'assignment'>) {
  const t = useTranslations();
  const [part, setOwn] = useOwn(saved);
  const { takes } = part;
  const set = (more: Partial<typeof part>) => {
    const next = { ...part, ...more };
    setOwn(next);
    const { rubric, takes: now, passesAtOnce } = next;
    change({
      part: {
        is: 'assignment',
        takes: now,
        passesAtOnce,
        ...(rubric !== undefined && { rubric }),
      },
    });
  };
  const setTakes = (more: Partial<Takes>) => set({ takes: { ...takes, ...more } });
  const { files } = takes;
  const box = (label: string, on: boolean, toggle: (on: boolean) => void) => (
    <FormControlLabel
      control={<Switch checked={on} onChange={(_, now) => toggle(now)} />}
      label={label}
    />
  );
  return (
    <>
      <FormControl component="fieldset" variant="standard">
        <FormLabel component="legend">{t('plan.takes')}</FormLabel>
        {box(t('plan.takesText'), takes.text, (text) => setTakes({ text }))}
        {box(t('plan.takesLink'), takes.link, (link) => setTakes({ link }))}
        {box(t('plan.takesFiles'), files !== undefined, (on) => {
          const { files: _, ...rest } = takes;
          set({ takes: on ? { ...rest, files: USUAL } : rest });
        })}
      </FormControl>
      {files && (
        <>
          <FormHelperText sx={{ mt: -1 }}>{t('plan.takesSorts')}</FormHelperText>
          <ToggleButtonGroup
            size="small"
            value={files.sorts}
            onChange={(_, sorts: typeof files.sorts) => setTakes({ files: { ...files, sorts } })}
            aria-label={t('plan.takesSorts')}
            sx={{ flexWrap: 'wrap' }}
          >
            {SORTS.map((sort) => (
              <ToggleButton key={sort} value={sort}>
                {t(`learn.sort.${sort}`)}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
            <SavedField
              label={t('plan.takesNumber')}
              type="number"
              value={`${files.number}`}
              onSave={(v) => setTakes({ files: { ...files, number: Math.min(20, least(v, 1)) } })}
            />
            <SavedField
              label={t('plan.takesMegabytes')}
              type="number"
              value={`${files.megabytes}`}
              onSave={(v) =>
                setTakes({ files: { ...files, megabytes: Math.min(500, least(v, 1)) } })
              }
            />
          </Box>
        </>
      )}
      <FormControl>
        <FormLabel id="who-decides">{t('plan.whoDecides')}</FormLabel>
        <RadioGroup
          aria-labelledby="who-decides"
          value={part.passesAtOnce ? 'at-once' : 'staff'}
          onChange={(_, who) => set({ passesAtOnce: who === 'at-once' })}
        >
          <FormControlLabel value="staff" control={<Radio />} label={t('plan.staffDecide')} />
          <FormControlLabel value="at-once" control={<Radio />} label={t('plan.passesAtOnce')} />
        </RadioGroup>
      </FormControl>
      <RubricField
        step={step}
        rubric={part.rubric}
        onChoose={(rubric, evidenceFor) =>
          change({
            part: {
              is: 'assignment',
              takes,
              passesAtOnce: part.passesAtOnce,
              ...(rubric !== undefined && { rubric }),
            },
            evidenceFor,
          })
        }
      />
      <PointsField step={step} change={change} />
    </>
  );
}
