import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import {
  api,
  type BankQuestion,
  body,
  type DesignOutcome,
  type Question,
  type QuestionDraw,
} from '../../api/client';
import { queries } from '../../api/queries';
import { newId } from '../../ui/ids';
import { keysInField } from '../../ui/useKeys';
import { BankDialog } from './BankDialog';
import { DrawFields } from './DrawFields';
import { QuestionFields } from './QuestionFields';
import { type QuestionKind, questionKinds, questionRoom } from './questions/rooms';
import { TakenQuestion } from './TakenQuestion';

function withOutcome(question: Question, outcome: number | undefined): Question {
  const { outcome: _, ...rest } = question;
  return outcome ? { ...rest, outcome } : rest;
}

/** Questions with what their kinds ask; saved when the editor is left. */
export function QuizEditor({
  questions,
  outcomes = [],
  onSave,
  draws,
  onDraws,
  course,
}: {
  questions: Question[];
  /** Those that the step gives evidence of. */
  outcomes?: DesignOutcome[];
  onSave: (questions: Question[]) => void;
  /** What is drawn beside them. */
  draws: QuestionDraw[];
  onDraws: (draws: QuestionDraw[]) => void;
  course: number;
}) {
  const t = useTranslations();
  const client = useQueryClient();
  const [list, setList] = useState(questions);
  const box = useRef<HTMLDivElement>(null);
  // What comes from the server, an undo for example, is shown unless somebody is typing here.
  useEffect(() => {
    if (!box.current?.contains(document.activeElement)) setList(questions);
  }, [questions]);
  const save = (next: Question[]) => {
    setList(next);
    onSave(next);
  };
  // A question that was added just now is written first, and nothing is wrong with it yet.
  const [fresh, setFresh] = useState('');
  // Who writes several of one kind chooses it once.
  const [kind, setKind] = useState<QuestionKind>(questions.at(-1)?.part.is ?? 'choice');
  const add = () => {
    const id = newId();
    setFresh(id);
    save([...list, { id, text: '', points: 1, feedback: '', part: questionRoom(kind).fresh() }]);
  };
  const bank = useQuery(queries.questions(course)).data ?? [];
  const [choosing, setChoosing] = useState(false);
  const take = (taken: BankQuestion[]) => {
    setChoosing(false);
    save([
      ...list,
      ...taken.map(({ id, question }) => {
        const { outcome, ...rest } = question;
        const tied = outcomes.some((o) => o.id === outcome);
        return { ...rest, ...(outcome && tied && { outcome }), id: `b${id}`, bank: id };
      }),
    ]);
  };
  const keepInBank = useMutation({
    mutationFn: (q: Question) =>
      body(
        api.POST('/api/courses/{course}/design/questions', {
          params: { path: { course } },
          body: { question: q, tags: [] },
        }),
      ),
    onSuccess: ({ id }, q) => {
      void client.invalidateQueries({ queryKey: ['questions', course] });
      save(list.map((x) => (x.id === q.id ? { ...x, id: `b${id}`, bank: id } : x)));
    },
  });
  const drawn = draws.reduce((sum, d) => sum + d.count, 0);
  const total =
    list.reduce((sum, q) => sum + q.points, 0) +
    draws.reduce((sum, d) => sum + d.count * d.points, 0);
  return (
    <Box
      ref={box}
      onKeyDown={keysInField({ '$mod+Enter': add })}
      onBlur={(e) =>
        !e.currentTarget.contains(e.relatedTarget) && list !== questions && onSave(list)
      }
    >
      <Typography variant="body2" color="textSecondary">
        {t('plan.quizTotal', { points: total, count: list.length + drawn })}
      </Typography>
      {list.map((q, n) => {
        return (
          <Box
            key={q.id}
            component="fieldset"
            sx={{
              border: 1,
              borderColor: 'divider',
              borderRadius: 1,
              mt: 1.5,
              mx: 0,
              p: 1.25,
              display: 'grid',
              gap: 1,
            }}
          >
            <Typography component="legend" variant="caption" color="textSecondary">
              {t('plan.question', { n: n + 1 })}, {t(`question.${q.part.is}`)}
            </Typography>
            {q.bank ? (
              <TakenQuestion
                question={q}
                name={t('plan.question', { n: n + 1 })}
                edit={(next) => setList(list.map((x) => (x.id === q.id ? next : x)))}
              />
            ) : (
              <QuestionFields
                question={q}
                name={t('plan.question', { n: n + 1 })}
                isFresh={q.id === fresh}
                edit={(next) => setList(list.map((x) => (x.id === q.id ? next : x)))}
              />
            )}
            {outcomes.length > 0 && (
              <TextField
                select
                label={t('plan.carries')}
                value={outcomes.some((o) => o.id === q.outcome) ? q.outcome : 0}
                onChange={(e) => {
                  const outcome = Number(e.target.value) || undefined;
                  save(list.map((x, i) => (i === n ? withOutcome(x, outcome) : x)));
                }}
              >
                <MenuItem value={0}>{t('plan.carriesAll')}</MenuItem>
                {outcomes.map((o) => (
                  <MenuItem key={o.id} value={o.id}>
                    {o.code} {o.name}
                  </MenuItem>
                ))}
              </TextField>
            )}
            <Box sx={{ display: 'flex', gap: 1 }}>
              <Button
                size="small"
                color="secondary"
                onClick={() => save(list.filter((_, i) => i !== n))}
              >
                {t('common.remove')}
              </Button>
              {q.bank ? (
                <Button
                  size="small"
                  onClick={() => {
                    const { bank: _, ...own } = q;
                    save(list.map((x) => (x.id === q.id ? { ...own, id: newId() } : x)));
                  }}
                >
                  {t('bank.makeOwn')}
                </Button>
              ) : (
                <Button
                  size="small"
                  disabled={!q.text.trim() || keepInBank.isPending}
                  onClick={() => keepInBank.mutate(q)}
                >
                  {t('bank.keep')}
                </Button>
              )}
            </Box>
          </Box>
        );
      })}
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
        <TextField
          select
          label={t('plan.questionKind')}
          value={kind}
          onChange={(e) => setKind(e.target.value as QuestionKind)}
          sx={{ minWidth: 0 }}
        >
          {questionKinds.map((k) => (
            <MenuItem key={k} value={k}>
              {t(`question.${k}`)}
            </MenuItem>
          ))}
        </TextField>
        <Button
          variant="outlined"
          sx={{ flex: 'none' }}
          title={t('plan.addQuestionKeys')}
          aria-keyshortcuts="Control+Enter"
          onClick={add}
        >
          {t('plan.addQuestion')}
        </Button>
      </Box>
      <Button size="small" sx={{ mt: 1, mr: 1 }} onClick={() => setChoosing(true)}>
        {t('bank.choose')}
      </Button>
      <DrawFields draws={draws} bank={bank} onChange={onDraws} />
      {choosing && (
        <BankDialog
          bank={bank}
          asked={list.flatMap((q) => q.bank ?? [])}
          onTake={take}
          onClose={() => setChoosing(false)}
        />
      )}
    </Box>
  );
}
