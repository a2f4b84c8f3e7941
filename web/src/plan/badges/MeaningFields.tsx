import { Alert, Autocomplete, Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Design, DesignBadge } from '../../api/client';
import { Section } from '../../ui/Panel';
import { SavedField } from '../../ui/SavedField';
import { useNames } from '../../ui/useNames';
import { TagsField } from '../questions/TagsField';
import type { Draft } from '../useDraft';
import { knownOnlyHere } from './meaning';

/** What a badge says to somebody who does not know the course. */
export function MeaningFields({
  badge,
  design,
  draft,
}: {
  badge: DesignBadge;
  design: Design;
  draft: Draft;
}) {
  const t = useTranslations();
  return (
    <>
      <Box>
        <SavedField
          label={t('badge.saysOutside')}
          multiline
          minRows={3}
          fullWidth
          value={badge.description}
          placeholder={t('badge.saysExample')}
          onSave={(description) => draft.badge(badge, { description })}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <OnlyHere text={badge.description} design={design} />
      </Box>
      <Criteria badge={badge} design={design} draft={draft} />
      <Autocomplete
        multiple
        size="small"
        options={design.outcomes.filter((o) => !o.retired)}
        value={design.outcomes.filter((o) => badge.outcomes.includes(o.id))}
        getOptionLabel={(o) => o.code}
        getOptionKey={(o) => o.id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        renderOption={({ key, ...props }, o) => (
          <li key={key} {...props}>
            <b>{o.code}</b>&nbsp; {o.name}
          </li>
        )}
        onChange={(_, chosen) => draft.badge(badge, { outcomes: chosen.map((o) => o.id) })}
        renderInput={(params) => <TextField {...params} label={t('badge.standsFor')} />}
      />
      <TagsField
        tags={badge.tags}
        known={[...new Set(design.badges.flatMap((b) => b.tags))].sort()}
        label={t('badge.tags')}
        onChange={(tags) => draft.badge(badge, { tags })}
      />
    </>
  );
}

/** What of a text only this course knows, or that it has nothing of that. */
function OnlyHere({ text, design }: { text: string; design: Design }) {
  const t = useTranslations();
  const names = useNames();
  if (!text.trim())
    return (
      <Typography variant="body2" sx={{ color: 'tone.ochreInk', mt: 0.5 }}>
        {t('badge.saysNothing')}
      </Typography>
    );
  const found = knownOnlyHere(text, design);
  return found.length === 0 ? null : (
    <Typography variant="body2" role="status" sx={{ color: 'tone.ochreInk', mt: 0.5 }}>
      {t('badge.onlyHere', { count: found.length, words: names(found.map((f) => `“${f}”`)) })}
    </Typography>
  );
}

/** How it is earned, in the words of its rule or in words of one's own. */
function Criteria({ badge, design, draft }: { badge: DesignBadge; design: Design; draft: Draft }) {
  const t = useTranslations();
  const [writing, setWriting] = useState(false);
  const rule = badge.earnedWhen?.line ?? '';
  const made = rule || t('badge.byHandCriteria');
  const own = badge.criteria;
  const write = (text: string) =>
    draft.badge(badge, { criteria: text.trim() ? { text: text.trim(), of: rule } : undefined });
  return (
    <Section title={t('badge.howEarned')}>
      {own || writing ? (
        <>
          <SavedField
            label={t('badge.inOwnWords')}
            multiline
            minRows={2}
            fullWidth
            value={own?.text ?? made}
            autoFocus={writing && !own}
            onSave={write}
          />
          <OnlyHere text={own?.text ?? made} design={design} />
          {own && own.of !== rule && (
            <Alert
              severity="warning"
              sx={{ mt: 1 }}
              action={
                <Button size="small" color="inherit" onClick={() => write(own.text)}>
                  {t('badge.stillTrue')}
                </Button>
              }
            >
              {t('badge.ruleChanged', { rule: made })}
            </Alert>
          )}
          <Button
            size="small"
            sx={{ mt: 0.5 }}
            onClick={() => {
              setWriting(false);
              if (own) write('');
            }}
          >
            {t('badge.wordsOfRule')}
          </Button>
        </>
      ) : (
        <Typography>
          {made}{' '}
          <Button size="small" onClick={() => setWriting(true)} sx={{ p: 0, minWidth: 0 }}>
            {t('badge.writeIt')}
          </Button>
        </Typography>
      )}
    </Section>
  );
}
