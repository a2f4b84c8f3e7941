import { Box, Button, Chip, Menu, MenuItem, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type BankQuestion, body, type Design } from '../../api/client';
import { queries } from '../../api/queries';
import { Actions } from '../../frame/Actions';
import { useCourse } from '../../frame/course';
import { ANY, isFound, tagsOf, tagsToOffer } from '../../kinds/quiz/find';
import { type QuestionKind, questionKinds, questionRoom } from '../../kinds/quiz/questions/rooms';
import { Empty, Loaded, WithInspector } from '../../ui/Panel';
import { keysHere, upAndDown } from '../../ui/useKeys';
import { useRows } from '../../ui/useRows';
import { useSelection } from '../../ui/useSelection';
import { useDraft } from '../useDraft';
import { PackageDialog } from './PackageDialog';
import { PasteDialog } from './PasteDialog';
import { QuestionInspector } from './QuestionInspector';
import { QuestionRow } from './QuestionRow';
import { QuestionShelf } from './QuestionShelf';

/** The questions that any quiz of the course can ask. */
export default function Questions() {
  const course = useCourse();
  const design = useQuery(queries.design(course.id));
  const questions = useQuery(queries.questions(course.id));
  return (
    <Loaded query={questions}>
      {(all) => <Loaded query={design}>{(data) => <Board all={all} design={data} />}</Loaded>}
    </Loaded>
  );
}

/** How many tags are offered to look by. */
const SHOWN_TAGS = 12;

function Board({ all, design }: { all: BankQuestion[]; design: Design }) {
  const t = useTranslations();
  const course = useCourse();
  const draft = useDraft(course.id);
  const [sel, select] = useSelection();
  const [wanted, setWanted] = useState(ANY);
  const [opened, setOpened] = useState<'paste' | 'shelf' | 'exchange' | null>(null);
  const [kinds, setKinds] = useState<HTMLElement | null>(null);
  const went = useQuery(queries.questionsWent(course.id)).data ?? [];
  const wentOf = (id: number) => went.find((w) => w.question === id);
  const found = all.filter((q) => isFound(q, wanted));
  const chosen = all.find((q) => `${q.id}` === sel);
  const tags = tagsOf(all);
  const { list, rows, measure, style, show } = useRows(found.length, 62);
  const add = (kind: QuestionKind) => {
    setKinds(null);
    void draft.add(
      'questions',
      () =>
        body(
          api.POST('/api/courses/{course}/design/questions', {
            params: { path: { course: course.id } },
            body: {
              question: {
                id: '',
                text: '',
                points: 1,
                feedback: '',
                part: questionRoom(kind).fresh(),
              },
              tags: wanted.tags,
            },
          }),
        ),
      (made) => select(`${made.id}`),
    );
  };
  const go = (by: 1 | -1) => {
    const at = found.findIndex((q) => `${q.id}` === sel);
    const to = Math.max(0, Math.min(found.length - 1, at + by));
    const next = found[to];
    if (!next) return;
    select(`${next.id}`);
    show(to);
  };
  return (
    <WithInspector
      inspector={
        chosen && (
          <QuestionInspector
            key={chosen.id}
            question={chosen}
            went={wentOf(chosen.id)}
            all={all}
            design={design}
            draft={draft}
            knownTags={tags.map((known) => known.tag)}
            onSelect={(id) => select(id === null ? null : `${id}`)}
          />
        )
      }
      onClose={() => select(null)}
    >
      <Actions>
        <Button variant="outlined" onClick={() => setOpened('shelf')}>
          {t('bank.shelf')}
        </Button>
        <Button variant="outlined" onClick={() => setOpened('exchange')}>
          {t('bank.exchange')}
        </Button>
        <Button variant="outlined" onClick={() => setOpened('paste')}>
          {t('bank.paste')}
        </Button>
        <Button variant="contained" onClick={(e) => setKinds(e.currentTarget)}>
          {t('plan.addQuestion')}
        </Button>
      </Actions>
      <Menu open={kinds !== null} anchorEl={kinds} onClose={() => setKinds(null)}>
        {questionKinds.map((kind) => (
          <MenuItem key={kind} onClick={() => add(kind)}>
            {t(`question.${kind}`)}
          </MenuItem>
        ))}
      </Menu>
      {all.length === 0 ? (
        <Empty
          title={t('bank.empty')}
          hint={t('bank.emptyHint')}
          action={
            <Button variant="contained" onClick={() => setOpened('paste')}>
              {t('bank.paste')}
            </Button>
          }
        />
      ) : (
        <>
          <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mb: 1, flexWrap: 'wrap' }}>
            <TextField
              type="search"
              placeholder={t('bank.find')}
              value={wanted.text}
              onChange={(e) => setWanted({ ...wanted, text: e.target.value })}
              slotProps={{ htmlInput: { 'aria-label': t('bank.find') } }}
              sx={{ width: 260, bgcolor: 'tone.panel' }}
            />
            <Typography color="textSecondary" role="status">
              {t('bank.count', { count: found.length })}
            </Typography>
            <Chip
              size="small"
              label={t('bank.unused')}
              variant={wanted.unused ? 'filled' : 'outlined'}
              aria-pressed={wanted.unused}
              onClick={() => setWanted({ ...wanted, unused: !wanted.unused })}
            />
            {tagsToOffer(all, SHOWN_TAGS, wanted.tags).map(({ tag, count }) => {
              const on = wanted.tags.includes(tag);
              return (
                <Chip
                  key={tag}
                  size="small"
                  label={`${tag} ${count}`}
                  variant={on ? 'filled' : 'outlined'}
                  aria-pressed={on}
                  onClick={() =>
                    setWanted({
                      ...wanted,
                      tags: on ? wanted.tags.filter((x) => x !== tag) : [...wanted.tags, tag],
                    })
                  }
                />
              );
            })}
          </Box>
          {found.length === 0 ? (
            <Empty title={t('bank.noneFound')} />
          ) : (
            <Box
              ref={list}
              component="ul"
              aria-label={t('frame.questions')}
              onKeyDown={keysHere(upAndDown(go))}
              style={style}
              sx={{
                listStyle: 'none',
                m: 0,
                p: 0,
                bgcolor: 'tone.panel',
                border: 1,
                borderBottom: 0,
                borderColor: 'divider',
              }}
            >
              {rows.map(({ index, style: at }) => {
                const q = found[index];
                return (
                  q && (
                    <li key={q.id} ref={measure} data-index={index} style={at}>
                      <QuestionRow
                        question={q}
                        went={wentOf(q.id)}
                        outcome={design.outcomes.find((o) => o.id === q.question.outcome)}
                        chosen={`${q.id}` === sel}
                        onSelect={() => select(`${q.id}`)}
                      />
                    </li>
                  )
                );
              })}
            </Box>
          )}
        </>
      )}
      {opened === 'paste' && <PasteDialog onClose={() => setOpened(null)} />}
      {opened === 'exchange' && <PackageDialog onClose={() => setOpened(null)} />}
      {opened === 'shelf' && <QuestionShelf onClose={() => setOpened(null)} />}
    </WithInspector>
  );
}
