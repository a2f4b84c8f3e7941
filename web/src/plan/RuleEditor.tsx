import { Box, Button, ButtonBase, IconButton, Typography } from '@mui/material';
import { useIsMutating } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { RuleNode, RuleView } from '../api/client';
import { SavedField } from '../ui/SavedField';
import { keysInField } from '../ui/useKeys';
import { ConditionInput } from './ConditionInput';
import { plainRule } from './edits';
import {
  addTo,
  askNode,
  atOnce,
  change,
  type Joint,
  jointNode,
  lastAsk,
  lineOf,
  nextJoint,
  partOf,
  takeOut,
  waitAfter,
} from './ruleTree';

export interface Place {
  place:
    | 'step-opens'
    | 'step-done'
    | 'module-opens'
    | 'module-done'
    | 'badge-earned'
    | 'badge-renewed'
    | 'course-complete'
    | 'flag-raised';
  id: number;
}

const RuleTextDialog = lazy(() => import('./RuleTextDialog'));

const MOST_DAYS = 3650;

interface Props {
  title: string;
  at: Place;
  rule: RuleView | undefined;
  usual: string;
  example: string;
  /** Whose rule it is, where several stand below each other. */
  of?: string;
  /** A rule that must not be empty keeps its last condition until another is there. */
  needed?: boolean;
  /** Whether one types into it at once. */
  autoFocus?: boolean;
  /** Whether it can be had and given as text. */
  textual?: boolean;
  onChange: (rule: Record<string, unknown> | undefined, root: RuleNode | undefined) => void;
}

/** What was made of a rule here, until it is saved: conditions are added faster than that. */
function useUntilSaved(stored: RuleNode | undefined) {
  const [made, setMade] = useState<{ root: RuleNode | undefined } | null>(null);
  const saving = useIsMutating() > 0;
  useEffect(() => {
    if (!saving) setMade(null);
  }, [saving]);
  const setRoot = (root: RuleNode | undefined) => setMade({ root });
  return [made ? made.root : stored, setRoot] as const;
}

/** A rule as a sentence of chips. */
export function RuleEditor({
  title,
  at,
  rule,
  usual,
  example,
  of,
  needed = false,
  textual = true,
  autoFocus = false,
  onChange,
}: Props) {
  const t = useTranslations();
  const [joining, setJoining] = useState(false);
  const [asText, setAsText] = useState(false);
  const [root, setRoot] = useUntilSaved(rule?.root);
  const save = (next: RuleNode | undefined) => {
    setRoot(next);
    onChange(next && plainRule(next), next);
  };
  const [changing, setChanging] = useState<string | null>(null);
  const section = useRef<HTMLElement>(null);
  const conditions = () =>
    Array.from(section.current?.querySelectorAll<HTMLElement>('[data-condition]') ?? []);
  const move = (by: 1 | -1) => {
    const all = conditions();
    const at = all.indexOf(document.activeElement as HTMLElement);
    all[at + by]?.focus();
  };
  const takeAway = (id: string) => {
    if (!root || (needed && root.id === id)) return;
    save(takeOut(root, id));
    conditions().at(-1)?.focus();
  };
  const keys = keysInField({
    'ArrowUp, ArrowLeft': () => move(-1),
    'ArrowDown, ArrowRight': () => move(1),
  });
  const editing: Editing = {
    at,
    example,
    root,
    save,
    needed,
    changing,
    setChanging,
    takeAway,
    keys,
  };
  return (
    <Box
      component="section"
      aria-label={of ? `${title}, ${of}` : title}
      sx={{ mt: 2 }}
      ref={section}
    >
      <Typography variant="h3" color="textSecondary" component="h2" sx={{ mb: 0.6 }}>
        {title}{' '}
        {!root && (
          <Box component="span" sx={{ color: 'tone.ink' }}>
            {usual}
          </Box>
        )}
        {textual && (
          <Button
            size="small"
            onClick={() => setAsText(true)}
            aria-label={t('plan.ruleText', { rule: title })}
            sx={{ p: 0, ml: 1, minWidth: 0, fontSize: 12, fontWeight: 400 }}
          >
            {t('plan.asText')}
          </Button>
        )}
      </Typography>
      {asText && (
        <Suspense fallback={null}>
          <RuleTextDialog
            title={title}
            at={at}
            text={rule?.text ?? ''}
            needed={needed}
            onTake={save}
            onClose={() => setAsText(false)}
          />
        </Suspense>
      )}
      {root && <Node node={root} of={editing} />}
      <Box sx={{ display: 'flex', gap: 1, mt: 0.75, alignItems: 'flex-start' }}>
        <ConditionInput
          at={at}
          example={example}
          autoFocus={autoFocus}
          onEmptyKey={(event) => {
            const last = root && lastAsk(root);
            if (event.key === 'Backspace' && last) takeAway(last.id);
            else if (event.key === 'ArrowUp' || event.key === 'ArrowLeft') move(-1);
          }}
          onTake={(p) => {
            save(addTo(root, undefined, joining ? jointNode('any', [askNode(p)]) : askNode(p)));
            setJoining(false);
          }}
        />
        {root && root.is !== 'ask' && (
          <Button
            size="small"
            variant={joining ? 'contained' : 'outlined'}
            color="secondary"
            aria-pressed={joining}
            onClick={() => setJoining(!joining)}
            sx={{ flex: 'none', fontSize: 12 }}
          >
            {t('plan.addJoint')}
          </Button>
        )}
      </Box>
    </Box>
  );
}

/** A rule while it is worked on. */
interface Editing {
  at: Place;
  example: string;
  root: RuleNode | undefined;
  save: (next: RuleNode | undefined) => void;
  needed: boolean;
  /** The condition that is being changed where it stands. */
  changing: string | null;
  setChanging: (id: string | null) => void;
  takeAway: (id: string) => void;
  keys: ReturnType<typeof keysInField>;
}

function Node({ node, of }: { node: RuleNode; of: Editing }) {
  const t = useTranslations();
  const root = of.root ?? node;
  const { save } = of;
  if (node.is === 'ask') return <Condition node={node} root={root} of={of} />;
  return (
    <Box sx={{ borderLeft: '2px solid', borderColor: 'divider', pl: 1 }}>
      {node.is === 'after' && <Waiting node={node} root={root} save={save} />}
      {node.is !== 'after' && (
        <Typography variant="body2" component="div" color="textSecondary">
          {t.rich(`plan.joint.${node.is as Joint}`, {
            n: node.n,
            joint: (word) => (
              <Button
                size="small"
                onClick={() => save(change(root, node.id, nextJoint))}
                sx={{
                  p: 0,
                  fontSize: 13,
                  textDecoration: 'underline',
                  textUnderlineOffset: 3,
                }}
              >
                {word}
              </Button>
            ),
          })}
          <WaitButton
            name={t('plan.theseTogether')}
            onWait={() => save(change(root, node.id, waitAfter))}
          />
        </Typography>
      )}
      <Box sx={{ display: 'flex', flexDirection: 'column', gap: 0.6, mt: 0.4 }}>
        {node.parts.map((part) => (
          <Node key={part.id} node={part} of={of} />
        ))}
      </Box>
    </Box>
  );
}

/** The line above a condition that counts only some days after it first held. */
function Waiting({
  node,
  root,
  save,
}: {
  node: RuleNode;
  root: RuleNode;
  save: (next: RuleNode | undefined) => void;
}) {
  const t = useTranslations();
  return (
    <Typography
      variant="body2"
      component="div"
      color="textSecondary"
      sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}
    >
      <SavedField
        value={String(node.n)}
        onSave={(days) => {
          const n = Number(days);
          if (Number.isInteger(n) && n > 0 && n <= MOST_DAYS)
            save(change(root, node.id, (wait) => ({ ...wait, n })));
        }}
        slotProps={{
          htmlInput: {
            'aria-label': t('plan.waitDays'),
            inputMode: 'numeric',
            type: 'number',
            min: 1,
            max: MOST_DAYS,
          },
        }}
        sx={{ width: 74, '& input': { py: 0.3, px: 0.75 } }}
      />
      {t('plan.daysAfter')}
      <IconButton
        size="small"
        onClick={() => save(change(root, node.id, atOnce))}
        aria-label={t('plan.waitAtOnce')}
        title={t('plan.waitAtOnce')}
        sx={{ fontSize: 15, p: 0.4 }}
      >
        ×
      </IconButton>
    </Typography>
  );
}

function WaitButton({ name, onWait }: { name: string; onWait: () => void }) {
  const t = useTranslations();
  return (
    <IconButton
      size="small"
      onClick={onWait}
      aria-label={t('plan.waitAfter', { name })}
      title={t('plan.waitAfter', { name })}
      sx={{ p: 0.4, ml: 0.25 }}
    >
      <svg width={13} height={13} viewBox="0 0 14 14" aria-hidden>
        <path
          d="M3 1.5 H11 M3 12.5 H11 M4 1.5 C4 5 10 9 10 12.5 M10 1.5 C10 5 4 9 4 12.5"
          fill="none"
          stroke="currentColor"
          strokeWidth={1.3}
        />
      </svg>
    </IconButton>
  );
}

/** A condition as a chip; pressed, it is changed where it stands. */
function Condition({ node, root, of }: { node: RuleNode; root: RuleNode; of: Editing }) {
  const t = useTranslations();
  const chip = useRef<HTMLButtonElement>(null);
  const { at, save, needed, changing, setChanging, takeAway, keys } = of;
  const name = lineOf(node);
  const other = node.beside === undefined ? undefined : partOf(root, node.beside);
  const end = () => {
    setChanging(null);
    // once the chip stands there again
    requestAnimationFrame(() => chip.current?.focus());
  };
  if (changing === node.id)
    return (
      <ConditionInput
        at={at}
        example={of.example}
        label={t('plan.changeCondition', { name })}
        like={node.leaf}
        begin={name}
        autoFocus
        onLeave={end}
        onTake={(p) => {
          save(change(root, node.id, () => ({ ...askNode(p), id: node.id })));
          end();
        }}
      />
    );
  return (
    <Box>
      <Box
        sx={{
          display: 'inline-flex',
          alignItems: 'center',
          maxWidth: '100%',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          bgcolor: 'tone.panel',
          pr: 0.25,
        }}
      >
        <ButtonBase
          ref={chip}
          data-condition=""
          onClick={() => setChanging(node.id)}
          onKeyDown={(event) => {
            if (event.key === 'Backspace' || event.key === 'Delete') {
              event.preventDefault();
              takeAway(node.id);
            } else keys(event);
          }}
          title={t('plan.changeCondition', { name })}
          sx={{ typography: 'body2', textAlign: 'left', py: 0.35, pl: 1, pr: 0.5 }}
        >
          <span>
            {node.subject && `${node.subject} `}
            <b>{node.says}</b>
          </span>
        </ButtonBase>
        <WaitButton name={name} onWait={() => save(change(root, node.id, waitAfter))} />
        {!(needed && root.id === node.id) && (
          <IconButton
            size="small"
            onClick={() => takeAway(node.id)}
            aria-label={t('plan.removeCondition', { name })}
            sx={{ fontSize: 15, p: 0.4 }}
          >
            ×
          </IconButton>
        )}
      </Box>
      {other && (
        <Typography variant="caption" component="p" sx={{ color: 'tone.ochreInk', mt: 0.25 }}>
          {t('plan.pointless', { other: lineOf(other) })}
        </Typography>
      )}
    </Box>
  );
}
