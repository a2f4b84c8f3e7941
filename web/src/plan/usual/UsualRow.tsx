import { Button, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, DesignStep } from '../../api/client';
import type { RuleField } from '../several/useSeveral';
import { useSeveral } from '../several/useSeveral';
import type { Draft } from '../useDraft';
import { isUsual, sampleAsked, usualOf } from './usual';

interface Props {
  step: DesignStep;
  field: RuleField;
  design: Design;
  draft: Draft;
}

/** Where a step's rule is not the usual one of its kind: what that is, and both ways to make it so. */
export function UsualRow({ step, field, design, draft }: Props) {
  const t = useTranslations();
  const several = useSeveral(design.course, draft);
  const usual = usualOf(design, step.kind);
  if (!usual || isUsual(design, step, field)) return null;
  // where nothing is usual, each has a rule of its own
  if (!usual[field]) return null;
  const kind = t(`kind.${step.kind}.plural`);
  const root = step[field]?.root;
  return (
    <Typography variant="body2" color="textSecondary" component="div" sx={{ mt: 0.75 }}>
      {t('plan.notUsual', { kind, rule: usual[field].line })}{' '}
      <Button
        size="small"
        sx={{ p: 0, fontSize: 13 }}
        onClick={() =>
          void several.rule([step], field, usual, usual[field]?.root).catch(() => undefined)
        }
      >
        {t('plan.usualTake')}
      </Button>
      {' · '}
      <Button
        size="small"
        sx={{ p: 0, fontSize: 13 }}
        onClick={() =>
          draft.usual(usual, {
            [field]: root && sampleAsked(root, step.id, usual.id),
          })
        }
      >
        {t('plan.usualMake', { kind })}
      </Button>
    </Typography>
  );
}
