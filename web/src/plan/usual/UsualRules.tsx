import { Box, Button, Collapse, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Design, UsualRules as Rules, UsualEdit } from '../../api/client';
import { Section } from '../../ui/Panel';
import { plainRule } from '../edits';
import { RuleEditor } from '../RuleEditor';
import { type RuleField, useSeveral } from '../several/useSeveral';
import type { Draft } from '../useDraft';
import { stepsWith } from './usual';

interface Props {
  design: Design;
  draft: Draft;
}

/** What new steps of each kind begin with; a click on a sentence opens its editor. */
export function UsualRules({ design, draft }: Props) {
  const t = useTranslations();
  const [open, setOpen] = useState<number | null>(null);
  return (
    <Section title={t('plan.usualRules')}>
      <Typography variant="body2" color="textSecondary">
        {t('plan.usualHint')}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {design.usual.map((usual) => (
          <Box component="li" key={usual.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
            <Line
              usual={usual}
              open={open === usual.id}
              onOpen={() => setOpen(open === usual.id ? null : usual.id)}
            />
            <Collapse in={open === usual.id} unmountOnExit>
              <Editors usual={usual} design={design} draft={draft} />
            </Collapse>
          </Box>
        ))}
      </Box>
    </Section>
  );
}

function Line({ usual, open, onOpen }: { usual: Rules; open: boolean; onOpen: () => void }) {
  const t = useTranslations();
  return (
    <Button
      fullWidth
      onClick={onOpen}
      aria-expanded={open}
      sx={{
        display: 'grid',
        gridTemplateColumns: '92px 1fr',
        gap: 1,
        p: 0.25,
        textAlign: 'left',
        fontWeight: 400,
        color: 'tone.ink',
        alignItems: 'baseline',
      }}
    >
      <Typography variant="body2" component="span" color="textSecondary">
        {t(`kind.${usual.kind}.name`)}
      </Typography>{' '}
      <Typography variant="body2" component="span">
        {usual.shipped ? <b>{usual.doneWhen.line}</b> : usual.doneWhen.line}
        {usual.opensWhen && (
          <Box component="span" sx={{ color: 'tone.soft' }}>
            {' · '}
            {t('plan.usualOpens', { rule: usual.opensWhen.line })}
          </Box>
        )}
      </Typography>
    </Button>
  );
}

function Editors({ usual, design, draft }: Props & { usual: Rules }) {
  const t = useTranslations();
  const { shipped } = usual;
  return (
    <Box sx={{ pb: 1 }}>
      <Editor field="doneWhen" usual={usual} design={design} draft={draft} />
      <Editor field="opensWhen" usual={usual} design={design} draft={draft} />
      {shipped && (
        <Button
          size="small"
          sx={{ mt: 0.5 }}
          onClick={() =>
            draft.usual(usual, {
              doneWhen: plainRule(shipped.doneWhen.root) as UsualEdit['doneWhen'],
              opensWhen:
                shipped.opensWhen && (plainRule(shipped.opensWhen.root) as UsualEdit['opensWhen']),
            })
          }
        >
          {t('plan.usualShipped', { rule: shipped.doneWhen.line })}
        </Button>
      )}
    </Box>
  );
}

/** One of the two rules; once it has changed, it can be given to those that had the one before. */
function Editor({ field, usual, design, draft }: Props & { field: RuleField; usual: Rules }) {
  const t = useTranslations();
  const several = useSeveral(design.course, draft);
  const [before, setBefore] = useState<{ text: string | undefined } | null>(null);
  const now = usual[field]?.text;
  const had =
    before && before.text !== now ? stepsWith(design, usual.kind, field, before.text) : [];
  return (
    <>
      <RuleEditor
        title={t(`plan.${field}`)}
        at={{ place: field === 'doneWhen' ? 'step-done' : 'step-opens', id: usual.id }}
        rule={usual[field]}
        usual={field === 'doneWhen' ? '' : t('plan.always')}
        needed={field === 'doneWhen'}
        example={t(field === 'doneWhen' ? 'plan.examples.done' : 'plan.examples.opens')}
        onChange={(rule) => {
          if (!before) setBefore({ text: now });
          draft.usual(usual, { [field]: rule });
        }}
      />
      {had.length > 0 && (
        <Button
          size="small"
          variant="outlined"
          sx={{ mt: 0.75 }}
          onClick={() => {
            setBefore(null);
            void several.rule(had, field, usual, usual[field]?.root).catch(() => undefined);
          }}
        >
          {t('plan.usualGive', { count: had.length })}
        </Button>
      )}
    </>
  );
}
