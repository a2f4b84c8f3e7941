import {
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  ToggleButton,
  ToggleButtonGroup,
} from '@mui/material';
import { useIsMutating } from '@tanstack/react-query';
import { type ReactNode, useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { DesignBadge } from '../../../api/client';
import { useCourse } from '../../../frame/course';
import { Section } from '../../../ui/Panel';
import { SavedField } from '../../../ui/SavedField';
import type { Draft } from '../../useDraft';
import { ColourRow } from '../ColourRow';
import { useStudio } from '../useStudio';
import { Preview } from './Preview';
import { SignatureFields } from './SignatureFields';
import { FIELDS, firstSheet, MOST_HOURS, PAPERS, type Sheet, TEMPLATES, withField } from './sheet';

/** Where a certificate is laid out, and seen as it will print. */
export default function PaperStudio({ badge, draft }: { badge: DesignBadge; draft: Draft }) {
  const t = useTranslations();
  const course = useCourse();
  const [sheet, put] = useSheet(badge, draft);
  if (!sheet)
    return (
      <Box sx={{ display: 'grid', gap: 2, justifyItems: 'start', maxWidth: 560 }}>
        {t('paper.none')}
        <Button
          variant="contained"
          onClick={() =>
            draft.badge(badge, {
              sheet: firstSheet({
                heading: t('paper.first.heading'),
                opening: t('paper.first.opening'),
                closing: t('paper.first.closing'),
              }),
            })
          }
        >
          {t('paper.begin')}
        </Button>
      </Box>
    );
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2.5,
        gridTemplateColumns: 'minmax(270px, 300px) minmax(280px, 1fr)',
        alignItems: 'start',
        '@media (max-width: 899px)': { gridTemplateColumns: '1fr' },
      }}
    >
      <Box sx={{ display: 'grid', order: { xs: 1, md: 0 } }}>
        <Placing sheet={sheet} put={put} />
        <Words sheet={sheet} put={put} />
        <Section title={t('paper.fields')}>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}>
            {FIELDS.map((field) => (
              <FormControlLabel
                key={field}
                sx={{ mr: 0 }}
                control={
                  <Checkbox
                    size="small"
                    sx={{ py: 0.5 }}
                    checked={sheet.fields.includes(field)}
                    onChange={(_, on) => put({ fields: withField(sheet, field, on) })}
                  />
                }
                label={t(`paper.field.${field}`)}
              />
            ))}
          </Box>
        </Section>
        <SignatureFields
          signatures={sheet.signatures}
          onChange={(signatures) => put({ signatures })}
        />
      </Box>
      <Box sx={{ position: { md: 'sticky' }, top: 0 }}>
        <Preview badge={badge} />
        <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
          <Button
            variant="outlined"
            href={`/api/courses/${course.id}/design/badges/${badge.id}/sheet/pdf`}
          >
            {t('paper.sample')}
          </Button>
          <Button variant="outlined" onClick={() => draft.badge(badge, { sheet: undefined })}>
            {t('paper.end')}
          </Button>
        </Box>
      </Box>
    </Box>
  );
}

type Put = (change: Partial<Sheet>) => void;

/** The sheet with what was changed and is not saved yet, so that the next change builds on it. */
function useSheet(badge: DesignBadge, draft: Draft): [Sheet | undefined, Put] {
  const saving = useIsMutating() > 0;
  const [own, setOwn] = useState(badge.sheet);
  useEffect(() => {
    if (!saving) setOwn(badge.sheet);
  }, [saving, badge.sheet]);
  const sheet = saving ? own : badge.sheet;
  const put = (change: Partial<Sheet>) => {
    if (!sheet) return;
    const next = { ...sheet, ...change };
    setOwn(next);
    draft.badge(badge, { sheet: next });
  };
  return [sheet, put];
}

/** Which template, on which paper, in which colour. */
function Placing({ sheet, put }: { sheet: Sheet; put: Put }) {
  const t = useTranslations();
  const studio = useStudio();
  return (
    <Section title={t('paper.template')}>
      <Box sx={{ display: 'grid', gap: 1 }}>
        <Choose
          label={t('paper.template')}
          value={sheet.template}
          onChange={(template) => put({ template })}
          choices={TEMPLATES.map((template) => [template, t(`paper.templates.${template}`)])}
        />
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Choose
            label={t('paper.paper')}
            value={sheet.paper}
            onChange={(paper) => put({ paper })}
            choices={PAPERS.map((paper) => [paper, t(`paper.papers.${paper}`)])}
          />
          <Choose
            label={t('paper.turned')}
            value={sheet.upright ? 'upright' : 'broad'}
            onChange={(turned) => put({ upright: turned === 'upright' })}
            choices={[
              ['broad', t('paper.broad')],
              ['upright', t('paper.upright')],
            ]}
          />
        </Box>
        {studio && (
          <ColourRow
            label={t('paper.colour')}
            value={sheet.colour}
            colours={studio.colours}
            onChange={(colour) => put({ colour: colour === sheet.colour ? undefined : colour })}
          />
        )}
      </Box>
    </Section>
  );
}

function Choose<T extends string>({
  label,
  value,
  choices,
  onChange,
}: {
  label: string;
  value: T;
  choices: [T, ReactNode][];
  onChange: (value: T) => void;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value}
      aria-label={label}
      onChange={(_, next) => next && onChange(next)}
    >
      {choices.map(([choice, name]) => (
        <ToggleButton key={choice} value={choice} sx={{ px: 1.25 }}>
          {name}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}

function Words({ sheet, put }: { sheet: Sheet; put: Put }) {
  const t = useTranslations();
  return (
    <Section title={t('paper.words')}>
      <Box sx={{ display: 'grid', gap: 1.25 }}>
        <SavedField
          label={t('paper.heading')}
          value={sheet.heading}
          onSave={(heading) => put({ heading })}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <SavedField
          label={t('paper.opening')}
          value={sheet.opening}
          onSave={(opening) => put({ opening })}
          slotProps={{ htmlInput: { maxLength: 200 } }}
        />
        <SavedField
          label={t('paper.closing')}
          value={sheet.closing}
          onSave={(closing) => put({ closing })}
          slotProps={{ htmlInput: { maxLength: 400 } }}
        />
        <SavedField
          label={t('paper.hours')}
          type="number"
          value={`${sheet.hours ?? ''}`}
          onSave={(text) => put({ hours: within(text) })}
        />
      </Box>
    </Section>
  );
}

const within = (text: string) =>
  text.trim() ? Math.min(MOST_HOURS, Math.max(1, Math.round(Number(text)) || 1)) : undefined;
