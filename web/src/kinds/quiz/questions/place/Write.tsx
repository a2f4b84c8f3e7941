import {
  Alert,
  Box,
  FormControlLabel,
  LinearProgress,
  Switch,
  TextField,
  Typography,
} from '@mui/material';
import { useTranslations } from 'use-intl';
import { ChooseFile } from '../../../../ui/ChooseFile';
import { useSending } from '../../../../ui/editor/useSending';
import { newId } from '../../../../ui/ids';
import { useFilesOfQuestions } from '../filesOfQuestions';
import { Lines } from '../Lines';
import type { WriteProps } from '../room';
import { DrawnAreas } from './DrawnAreas';

/** A picture, what it shows, and the areas of it that are right. */
export function Write({ part, edit }: WriteProps<'place'>) {
  const t = useTranslations();
  const { door } = useFilesOfQuestions();
  const sending = useSending(door);
  const { areas } = part;
  const named = (n: number) => areas[n]?.called || t('plan.area', { n: n + 1 });
  return (
    <>
      {part.picture !== undefined && (
        <DrawnAreas
          file={part.picture}
          described={part.described}
          areas={areas}
          named={named}
          onChange={(next) => edit({ ...part, areas: next })}
        />
      )}
      {sending.isPending && (
        <LinearProgress
          variant="determinate"
          value={sending.share * 100}
          aria-label={t('look.sending')}
        />
      )}
      {sending.error && <Alert severity="error">{sending.error.message}</Alert>}
      <ChooseFile
        name={t('plan.picture')}
        accept="image/png,image/jpeg,image/webp,image/gif"
        size="small"
        variant={part.picture === undefined ? 'contained' : 'outlined'}
        sx={{ justifySelf: 'start' }}
        disabled={sending.isPending || !door}
        onChoose={(file) =>
          sending.mutate(
            { file, use: 'PICTURE' },
            { onSuccess: (kept) => edit({ ...part, picture: kept.id }) },
          )
        }
      >
        {t(part.picture === undefined ? 'look.choosePicture' : 'look.replacePicture')}
      </ChooseFile>
      {part.picture !== undefined && (
        <>
          <TextField
            label={t('plan.described')}
            multiline
            helperText={t('plan.describedHint')}
            value={part.described}
            error={!part.described.trim()}
            onChange={(e) => edit({ ...part, described: e.target.value })}
          />
          <Typography variant="body2" color="textSecondary">
            {t('plan.areaHint')}
          </Typography>
          <Lines
            least={0}
            add={t('plan.addArea')}
            onAdd={() =>
              edit({
                ...part,
                areas: [
                  ...areas,
                  {
                    id: newId(),
                    called: '',
                    left: 0.4,
                    top: 0.4,
                    width: 0.2,
                    height: 0.2,
                    round: false,
                  },
                ],
              })
            }
            onRemove={(id) => edit({ ...part, areas: areas.filter((a) => a.id !== id) })}
            lines={areas.map((area, n) => {
              const change = (with_: Partial<typeof area>) =>
                edit({
                  ...part,
                  areas: areas.map((a) => (a.id === area.id ? { ...a, ...with_ } : a)),
                });
              return {
                id: area.id,
                name: named(n),
                line: (
                  <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flex: 1 }}>
                    <TextField
                      placeholder={t('plan.areaCalled', { n: n + 1 })}
                      value={area.called}
                      error={!area.called.trim()}
                      onChange={(e) => change({ called: e.target.value })}
                      slotProps={{
                        htmlInput: { 'aria-label': t('plan.areaCalled', { n: n + 1 }) },
                      }}
                    />
                    <FormControlLabel
                      control={
                        <Switch
                          size="small"
                          checked={area.round}
                          onChange={(_, round) => change({ round })}
                        />
                      }
                      label={t('plan.round')}
                      slotProps={{ typography: { noWrap: true } }}
                    />
                  </Box>
                ),
              };
            })}
          />
        </>
      )}
    </>
  );
}
