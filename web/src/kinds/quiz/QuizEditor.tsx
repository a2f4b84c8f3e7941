import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { DesignOutcome, Question } from '../../api/client';
import { newId } from '../../ui/ids';
import { type QuestionKind, questionKinds, questionRoom } from './questions/rooms';

function withOutcome(question: Question, outcome: number | undefined): Question {
  const { outcome: _, ...rest } = question;
  return outcome ? { ...rest, outcome } : rest;
}

/** Questions with what their kinds ask; saved when the editor is left. */
export function QuizEditor({
  questions,
  outcomes = [],
  onSave,
}: {
  questions: Question[];
  /** Those that the step gives evidence of. */
  outcomes?: DesignOutcome[];
  onSave: (questions: Question[]) => void;
}) {
  const t = useTranslations();
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
  const edit = (n: number, change: Partial<Question>) =>
    setList(list.map((q, i) => (i === n ? { ...q, ...change } : q)));
  // A question that was added just now is written first, and nothing is wrong with it yet.
  const [fresh, setFresh] = useState('');
  // Who writes several of one kind chooses it once.
  const [kind, setKind] = useState<QuestionKind>(questions.at(-1)?.part.is ?? 'choice');
  const add = () => {
    const id = newId();
    setFresh(id);
    save([...list, { id, text: '', points: 1, feedback: '', part: questionRoom(kind).fresh() }]);
  };
  const total = list.reduce((sum, q) => sum + q.points, 0);
  return (
    <Box
      ref={box}
      onBlur={(e) =>
        !e.currentTarget.contains(e.relatedTarget) && list !== questions && onSave(list)
      }
    >
      <Typography variant="body2" color="textSecondary">
        {t('plan.quizTotal', { points: total, count: list.length })}
      </Typography>
      {list.map((q, n) => {
        const { Write } = questionRoom(q.part.is);
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
            <Box sx={{ display: 'flex', gap: 1 }}>
              <TextField
                label={t('plan.question', { n: n + 1 })}
                multiline
                value={q.text}
                autoFocus={q.id === fresh}
                error={!q.text.trim() && q.id !== fresh}
                onChange={(e) => edit(n, { text: e.target.value })}
              />
              <TextField
                label={t('plan.points')}
                type="number"
                value={q.points}
                onChange={(e) => edit(n, { points: Math.max(0, Number(e.target.value)) })}
                sx={{ width: 84, flex: 'none' }}
              />
            </Box>
            <Write part={q.part} edit={(part) => edit(n, { part })} />
            <TextField
              label={t('plan.feedback')}
              value={q.feedback}
              onChange={(e) => edit(n, { feedback: e.target.value })}
            />
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
        <Button variant="outlined" sx={{ flex: 'none' }} onClick={add}>
          {t('plan.addQuestion')}
        </Button>
      </Box>
    </Box>
  );
}
