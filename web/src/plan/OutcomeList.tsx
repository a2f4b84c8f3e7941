import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Design, DesignOutcome } from '../api/client';
import { Empty } from '../ui/Panel';
import { SavedField } from '../ui/SavedField';
import { keysHere, upAndDown } from '../ui/useKeys';
import { useRows } from '../ui/useRows';
import { type Branch, found, grouped, pathKey, renamed, swapped, within } from './grouping';
import { OutcomeRow } from './OutcomeRow';
import type { Draft } from './useDraft';

/** Outcomes in their groups, to search, fold and put in order; retired ones stand at the end. */
export function OutcomeList({
  design,
  draft,
  sel,
  select,
}: {
  design: Design;
  draft: Draft;
  sel: string | null;
  select: (sel: string | null) => void;
}) {
  const t = useTranslations();
  const [text, setText] = useState('');
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const match = design.outcomes.filter((o) => found(o, text));
  const root = grouped(match.filter((o) => !o.retired));
  const retired = match.filter((o) => o.retired);
  const fold = (path: string[]) => {
    const next = new Set(folded);
    if (!next.delete(pathKey(path))) next.add(pathKey(path));
    setFolded(next);
  };
  const rename = (path: string[], name: string) => {
    for (const outcome of design.outcomes) {
      const group = renamed(outcome.group, path, name);
      if (group !== outcome.group) draft.outcome(outcome, { group });
    }
  };
  const items: Item[] = [
    ...flat(root, 0, folded),
    ...(retired.length > 0 ? [{ kind: 'retired' as const }] : []),
    ...retired.map((outcome): Item => ({ kind: 'outcome', outcome, depth: 0 })),
  ];
  const { list, rows, measure, style, show } = useRows(items.length, 46);
  const go = (by: 1 | -1) => {
    const visible = items.flatMap((i) => (i.kind === 'outcome' ? [i.outcome] : []));
    const at = visible.findIndex((o) => `${o.id}` === sel);
    const next = visible[Math.max(0, Math.min(visible.length - 1, at + by))];
    if (!next) return;
    select(`${next.id}`);
    show(items.findIndex((i) => i.kind === 'outcome' && i.outcome.id === next.id));
  };
  const carry = (by: 1 | -1) => () => {
    if (sel) draft.orderOutcomes(design, swapped(design.outcomes, Number(sel), by));
  };
  const keys = keysHere({
    ...upAndDown(go),
    'Alt+ArrowDown, Alt+j': carry(1),
    'Alt+ArrowUp, Alt+k': carry(-1),
  });
  const drawn = (item: Item) => {
    if (item.kind === 'group')
      return (
        <GroupHead
          branch={item.branch}
          depth={item.depth}
          open={!folded.has(pathKey(item.branch.path))}
          onFold={() => fold(item.branch.path)}
          onRename={(name) => rename(item.branch.path, name)}
        />
      );
    if (item.kind === 'retired')
      return (
        <Typography
          variant="h3"
          component="h2"
          color="textSecondary"
          sx={{ px: 1.5, py: 1, bgcolor: 'tone.ground' }}
        >
          {t('plan.retired')} · {retired.length}
        </Typography>
      );
    return (
      <OutcomeRow
        outcome={item.outcome}
        depth={item.depth}
        design={design}
        chosen={`${item.outcome.id}` === sel}
        onSelect={() => select(`${item.outcome.id}`)}
      />
    );
  };
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mb: 1 }}>
        <TextField
          type="search"
          placeholder={t('plan.findOutcome')}
          value={text}
          onChange={(e) => setText(e.target.value)}
          slotProps={{ htmlInput: { 'aria-label': t('plan.findOutcome') } }}
          sx={{ width: 260, bgcolor: 'tone.panel' }}
        />
        <Typography color="textSecondary" role="status">
          {t('plan.outcomeCount', { count: match.length })}
        </Typography>
        <Typography variant="caption" color="textSecondary" sx={{ ml: 'auto' }}>
          {t('plan.outcomeKeys')}
        </Typography>
      </Box>
      {match.length === 0 ? (
        <Empty title={t('plan.noOutcomeFound', { text })} />
      ) : (
        <Box
          ref={list}
          component="ul"
          aria-label={t('frame.outcomes')}
          onKeyDown={keys}
          style={style}
          sx={{
            listStyle: 'none',
            m: 0,
            p: 0,
            bgcolor: 'tone.panel',
            border: 1,
            borderColor: 'divider',
          }}
        >
          {rows.map(({ index, style: at }) => {
            const item = items[index];
            return (
              item && (
                <li key={itemKey(item)} ref={measure} data-index={index} style={at}>
                  {drawn(item)}
                </li>
              )
            );
          })}
        </Box>
      )}
    </>
  );
}

type Item =
  | { kind: 'group'; branch: Branch<DesignOutcome>; depth: number }
  | { kind: 'outcome'; outcome: DesignOutcome; depth: number }
  | { kind: 'retired' };

const itemKey = (item: Item) =>
  item.kind === 'outcome'
    ? item.outcome.id
    : item.kind === 'group'
      ? pathKey(item.branch.path)
      : item.kind;

/** A branch line by line, without what is folded away. */
function flat(branch: Branch<DesignOutcome>, depth: number, folded: ReadonlySet<string>): Item[] {
  return [
    ...branch.outcomes.map((outcome): Item => ({ kind: 'outcome', outcome, depth })),
    ...branch.branches.flatMap((inner): Item[] => [
      { kind: 'group', branch: inner, depth },
      ...(folded.has(pathKey(inner.path)) ? [] : flat(inner, depth + 1, folded)),
    ]),
  ];
}

function GroupHead({
  branch,
  depth,
  open,
  onFold,
  onRename,
}: {
  branch: Branch<DesignOutcome>;
  depth: number;
  open: boolean;
  onFold: () => void;
  onRename: (name: string) => void;
}) {
  const t = useTranslations();
  const [naming, setNaming] = useState(false);
  const name = branch.path.at(-1) ?? '';
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        pl: 1.5 + depth * 1.5,
        pr: 1,
        py: 0.5,
        minHeight: 38,
        bgcolor: 'tone.ground',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      {naming ? (
        <SavedField
          label={t('plan.groupName')}
          value={name}
          autoFocus
          onSave={(next) => {
            setNaming(false);
            onRename(next);
          }}
          sx={{ maxWidth: 320 }}
        />
      ) : (
        <Button
          onClick={onFold}
          aria-expanded={open}
          sx={{ p: 0, color: 'tone.ink', typography: 'h3' }}
        >
          {open ? '▾' : '▸'} {name}
          <Box component="span" sx={{ color: 'tone.soft', ml: 0.75 }}>
            {within(branch).length}
          </Box>
        </Button>
      )}
      <Button size="small" sx={{ ml: 'auto', p: 0.25 }} onClick={() => setNaming(!naming)}>
        {t(naming ? 'common.cancel' : 'plan.rename')}
      </Button>
    </Box>
  );
}
