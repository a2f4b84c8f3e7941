import {
  Box,
  Button,
  FormControlLabel,
  MenuItem,
  Switch,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, type BadgeEdit, body, type Design, type DesignBadge } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { BadgeDrawing, COLOURS, SHAPES, SIGNS } from '../ui/BadgeDrawing';
import { Empty, Kicker, Loaded, Section, WithInspector } from '../ui/Panel';
import { SavedField } from '../ui/SavedField';
import { useSelection } from '../ui/useSelection';
import { FindingsAt } from './check/FindingsAt';
import { RuleEditor } from './RuleEditor';
import { type Draft, useDraft } from './useDraft';

export default function Badges() {
  const t = useTranslations();
  const course = useCourse();
  const draft = useDraft(course.id);
  const [sel, select] = useSelection();
  const design = useQuery(queries.design(course.id));
  const chosen = design.data?.badges.find((b) => `${b.id}` === sel);
  const add = () =>
    draft.add(
      'badges',
      () =>
        body(
          api.POST('/api/courses/{course}/design/badges', {
            params: { path: { course: course.id } },
            body: {
              name: t('plan.newBadge'),
              description: '',
              picture: { shape: 'hexagon', sign: 'star', colour: 'lagoon' },
              surprise: false,
            },
          }),
        ),
      (made) => select(`${made.id}`),
    );
  return (
    <WithInspector
      inspector={
        chosen && design.data ? (
          <Inspector
            key={chosen.id}
            badge={chosen}
            design={design.data}
            draft={draft}
            onGone={() => select(null)}
          />
        ) : null
      }
      onClose={() => select(null)}
    >
      <Actions>
        <Button variant="contained" onClick={add}>
          {t('plan.addBadge')}
        </Button>
      </Actions>
      <Loaded query={design}>
        {(data) =>
          data.badges.length === 0 ? (
            <Empty
              title={t('plan.emptyBadges')}
              action={
                <Button variant="contained" onClick={add}>
                  {t('plan.addBadge')}
                </Button>
              }
            />
          ) : (
            <Box
              sx={{
                display: 'grid',
                gap: 1.25,
                gridTemplateColumns: 'repeat(auto-fill, minmax(330px, 1fr))',
              }}
            >
              {data.badges.map((b) => (
                <Box
                  key={b.id}
                  component="button"
                  type="button"
                  aria-pressed={`${b.id}` === sel}
                  onClick={() => select(`${b.id}`)}
                  sx={{
                    font: 'inherit',
                    color: 'inherit',
                    textAlign: 'left',
                    cursor: 'pointer',
                    display: 'flex',
                    gap: 2,
                    alignItems: 'flex-start',
                    bgcolor: `${b.id}` === sel ? 'tone.madderWash' : 'tone.panel',
                    border: 1,
                    borderColor: `${b.id}` === sel ? 'tone.madder' : 'divider',
                    borderRadius: 1,
                    p: 1.75,
                  }}
                >
                  <BadgeDrawing picture={b.picture} label="" size={60} />
                  <Box sx={{ minWidth: 0 }}>
                    <Typography variant="h2">{b.name}</Typography>
                    <Typography variant="body2" color="textSecondary">
                      {data.modules.find((m) => m.id === b.module)?.name}
                    </Typography>
                    <Typography variant="body2">
                      <Box component="span" sx={{ color: 'tone.soft' }}>
                        {t('plan.earnedWhen')}
                      </Box>{' '}
                      {b.earnedWhen?.line ?? t('plan.byHand')}
                    </Typography>
                  </Box>
                </Box>
              ))}
            </Box>
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Inspector({
  badge,
  design,
  draft,
  onGone,
}: {
  badge: DesignBadge;
  design: Design;
  draft: Draft;
  onGone: () => void;
}) {
  const t = useTranslations();
  const draw = (change: Partial<DesignBadge['picture']>) =>
    draft.badge(badge, { picture: { ...badge.picture, ...change } });
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Kicker>{t('frame.badges')}</Kicker>
      <Box sx={{ display: 'flex', gap: 2 }}>
        <BadgeDrawing picture={badge.picture} label={badge.name} size={96} />
        <Box sx={{ flex: 1, display: 'grid', gap: 1.25, alignContent: 'start' }}>
          <SavedField
            label={t('common.name')}
            value={badge.name}
            onSave={(name) => draft.badge(badge, { name })}
          />
          <TextField
            select
            label={t('plan.colour')}
            value={badge.picture.colour}
            onChange={(e) => draw({ colour: e.target.value })}
          >
            {COLOURS.map((c) => (
              <MenuItem key={c} value={c}>
                {c}
              </MenuItem>
            ))}
          </TextField>
        </Box>
      </Box>
      <Choice
        label={t('plan.shape')}
        names={Object.keys(SHAPES)}
        value={badge.picture.shape}
        draw={(shape) => ({ ...badge.picture, shape })}
        onChange={(shape) => draw({ shape })}
      />
      <Choice
        label={t('plan.sign')}
        names={Object.keys(SIGNS)}
        value={badge.picture.sign}
        draw={(sign) => ({ ...badge.picture, sign })}
        onChange={(sign) => draw({ sign })}
      />
      <SavedField
        label={t('common.description')}
        multiline
        minRows={2}
        value={badge.description}
        onSave={(description) => draft.badge(badge, { description })}
      />
      <TextField
        select
        label={t('plan.belongsTo')}
        value={badge.module ?? 0}
        onChange={(e) => draft.badge(badge, { module: Number(e.target.value) || undefined })}
      >
        <MenuItem value={0}>–</MenuItem>
        {design.modules.map((m) => (
          <MenuItem key={m.id} value={m.id}>
            {m.name}
          </MenuItem>
        ))}
      </TextField>
      <FindingsAt part="BADGES" id={badge.id} design={design} draft={draft} />
      <RuleEditor
        title={t('plan.earnedWhen')}
        at={{ place: 'badge-earned', id: badge.id }}
        rule={badge.earnedWhen}
        usual={t('plan.byHand')}
        example={t('plan.examples.badge')}
        onChange={(rule) => draft.badge(badge, { earnedWhen: rule as BadgeEdit['earnedWhen'] })}
      />
      <FormControlLabel
        control={
          <Switch
            checked={badge.surprise}
            onChange={(_, surprise) => draft.badge(badge, { surprise })}
          />
        }
        label={t('plan.surprise')}
      />
      <Button
        variant="outlined"
        sx={{ justifySelf: 'start' }}
        onClick={() => {
          draft.remove('badges', badge.id, badge.name);
          onGone();
        }}
      >
        {t('common.remove')}
      </Button>
    </Box>
  );
}

function Choice({
  label,
  names,
  value,
  draw,
  onChange,
}: {
  label: string;
  names: string[];
  value: string;
  draw: (name: string) => DesignBadge['picture'];
  onChange: (name: string) => void;
}) {
  return (
    <Section title={label}>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={value}
        aria-label={label}
        onChange={(_, next) => next && onChange(next)}
        sx={{ flexWrap: 'wrap' }}
      >
        {names.map((name) => (
          <ToggleButton key={name} value={name} aria-label={name} sx={{ p: 0.5 }}>
            <BadgeDrawing picture={draw(name)} label="" size={28} />
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Section>
  );
}
