import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { AskedPart, GivenAnswer, ReviewedPart, WrittenPart } from '../../../api/client';
import { show } from '../../../test/stage';
import { questionRoom } from './rooms';
import { evenly } from './several/shares';

/** A question that is answered, and tells of every answer. */
function Asked({ part, told }: { part: AskedPart; told: (given?: GivenAnswer) => void }) {
  const [given, setGiven] = useState<GivenAnswer>();
  const { Ask } = questionRoom(part.is);
  return (
    <>
      <span id="well">Well?</span>
      <Ask
        part={part}
        labelledBy="well"
        given={given}
        answer={(next) => {
          setGiven(next);
          told(next);
        }}
      />
    </>
  );
}

/** A question that is written. */
function Written({ part, told }: { part: WrittenPart; told: (part: WrittenPart) => void }) {
  const [now, setNow] = useState(part);
  const { Write } = questionRoom(part.is);
  return (
    <Write
      part={now}
      edit={(next) => {
        setNow(next);
        told(next);
      }}
    />
  );
}

const ask = (part: AskedPart) => {
  const told = vi.fn();
  show(<Asked part={part} told={told} />);
  return told;
};
const write = (part: WrittenPart) => {
  const told = vi.fn();
  show(<Written part={part} told={told} />);
  return told;
};
const review = (part: ReviewedPart) => {
  const { Review } = questionRoom(part.is);
  show(<Review part={part} />);
};

describe('several right choices', () => {
  const choices = [
    { id: '1', text: 'Worn' },
    { id: '2', text: 'Glazed' },
  ];

  it('are ticked and unticked, and none at all is no answer', async () => {
    const told = ask({ is: 'several', choices });
    await userEvent.click(screen.getByLabelText('Worn'));
    await userEvent.click(screen.getByLabelText('Glazed'));
    expect(told).toHaveBeenLastCalledWith({ is: 'several', choices: ['1', '2'] });
    await userEvent.click(screen.getByLabelText('Worn'));
    await userEvent.click(screen.getByLabelText('Glazed'));
    expect(told).toHaveBeenLastCalledWith(undefined);
  });

  it('share the points evenly as they are ticked, and wrong ones may take as much away', async () => {
    const told = write({
      is: 'several',
      choices: [
        { id: 'a', text: 'Worn', share: 1 },
        { id: 'b', text: 'Glazed', share: 0 },
        { id: 'c', text: 'Black', share: 0 },
      ],
    });
    await userEvent.click(screen.getByLabelText('Right answer: Glazed'));
    await userEvent.click(screen.getByLabelText('Wrong choices take as much away'));
    const shares = () => told.mock.lastCall?.[0].choices.map((c: { share: number }) => c.share);
    expect(shares()).toEqual([0.5, 0.5, -0.5]);
    expect(screen.getByLabelText('Percent of line 1')).toHaveValue(50);
    expect(evenly([{ share: 0 }, { share: -1 }], true)).toEqual([{ share: -1 }, { share: -1 }]);
  });

  it('say which were right once that may be known', () => {
    review({
      is: 'several',
      choices: [
        { text: 'Worn', chosen: true, right: true },
        { text: 'Glazed', chosen: false, right: true },
      ],
    });
    expect(document.body).toHaveTextContent('Your answer: Worn. Right: Worn, Glazed');
  });
});

describe('a statement', () => {
  it('is said to be true or false, and looked at again', async () => {
    const told = ask({ is: 'true-false' });
    await userEvent.click(screen.getByLabelText('False'));
    expect(told).toHaveBeenLastCalledWith({ is: 'true-false', itIsTrue: false });
    review({ is: 'true-false', given: false, right: true });
    expect(document.body).toHaveTextContent('Your answer: False. Right answer: True');
  });
});

describe('gaps in a text', () => {
  it('are filled in where they stand, and shown again with what was right', async () => {
    const told = ask({ is: 'gaps', around: ['From ', ' to ', '.'] });
    await userEvent.type(screen.getByLabelText('Gap 2'), 'back');
    await userEvent.tab();
    expect(told).toHaveBeenLastCalledWith({ is: 'gaps', words: ['', 'back'] });
    await userEvent.type(screen.getByLabelText('Gap 1'), 'front');
    await userEvent.tab();
    expect(told).toHaveBeenLastCalledWith({ is: 'gaps', words: ['front', 'back'] });
    review({
      is: 'gaps',
      around: ['From ', '.'],
      gaps: [{ given: 'left', fits: false, right: 'front' }],
    });
    expect(document.body).toHaveTextContent('From left (Right answer: front).');
  });
});

describe('pairs', () => {
  it('are put together by choosing what belongs to each', async () => {
    const told = ask({
      is: 'matching',
      begins: [{ id: '1', text: 'Chain' }],
      ends: [
        { id: '1', text: 'Spoke key' },
        { id: '2', text: 'Chain tool' },
      ],
    });
    await userEvent.click(screen.getByRole('combobox', { name: /Chain/ }));
    await userEvent.click(screen.getByRole('option', { name: 'Chain tool' }));
    expect(told).toHaveBeenLastCalledWith({ is: 'matching', pairs: { 1: '2' } });
    await userEvent.click(screen.getByRole('combobox', { name: /Chain/ }));
    await userEvent.click(screen.getByRole('option', { name: 'not chosen yet' }));
    expect(told).toHaveBeenLastCalledWith(undefined);
  });
});

describe('an order', () => {
  it('is put by moving up and down, and is no answer before that', async () => {
    const things = [
      { id: '1', text: 'Tension' },
      { id: '2', text: 'Limits' },
    ];
    const told = ask({ is: 'ordering', things });
    expect(screen.getByText('Not put in order yet.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Move “Limits” up' }));
    expect(told).toHaveBeenLastCalledWith({ is: 'ordering', things: ['2', '1'] });
    const [first] = within(screen.getByRole('list')).getAllByRole('listitem');
    expect(first).toHaveTextContent('Limits');
    expect(screen.queryByText('Not put in order yet.')).not.toBeInTheDocument();
  });
});

describe('a few words and a number', () => {
  it('are kept when one goes on, and Enter hands nothing in', async () => {
    const handIn = vi.fn();
    const told = vi.fn();
    show(
      <form
        onSubmit={(e) => {
          e.preventDefault();
          handIn();
        }}
      >
        <Asked part={{ is: 'short' }} told={told} />
      </form>,
    );
    await userEvent.type(screen.getByRole('textbox'), 'Toe-in{Enter}');
    expect(told).toHaveBeenLastCalledWith({ is: 'short', words: 'Toe-in' });
    expect(handIn).not.toHaveBeenCalled();
    await userEvent.clear(screen.getByRole('textbox'));
    await userEvent.tab();
    expect(told).toHaveBeenLastCalledWith(undefined);
  });

  it('are kept when one leaves at once', async () => {
    const told = vi.fn();
    const { unmount } = show(<Asked part={{ is: 'short' }} told={told} />);
    await userEvent.type(screen.getByRole('textbox'), 'Toe');
    expect(told).not.toHaveBeenCalled();
    unmount();
    expect(told).toHaveBeenLastCalledWith({ is: 'short', words: 'Toe' });
  });

  it('say what is no number and take what is one', async () => {
    const told = ask({ is: 'numeric', unit: 'Nm' });
    await userEvent.type(screen.getByRole('textbox'), '12,5');
    expect(screen.getByText('Write a number, such as 12.5.')).toBeVisible();
    await userEvent.clear(screen.getByRole('textbox'));
    await userEvent.type(screen.getByRole('textbox'), '1,200.5');
    await userEvent.tab();
    expect(told).toHaveBeenLastCalledWith({ is: 'numeric', number: 1200.5 });
    expect(screen.getByText('Nm')).toBeVisible();
  });

  it('are written with their forms, their tolerance and their unit', async () => {
    const told = write({ is: 'numeric', tolerance: 0, percent: false, unit: '' });
    await userEvent.type(screen.getByLabelText('Number'), '12');
    await userEvent.clear(screen.getByLabelText('May be off by'));
    await userEvent.type(screen.getByLabelText('May be off by'), '.5');
    await userEvent.type(screen.getByLabelText('Unit'), 'Nm');
    expect(told).toHaveBeenLastCalledWith({
      is: 'numeric',
      number: 12,
      tolerance: 0.5,
      percent: false,
      unit: 'Nm',
    });
    review({ is: 'numeric', given: 13, right: 12, most: 0.5, unit: 'Nm' });
    expect(screen.getByText(/Your answer: 13 Nm. Right answer: 12 ± 0.5 Nm/)).toBeVisible();
  });
});

describe('a place on a picture', () => {
  const lying = (element: Element) => {
    element.getBoundingClientRect = () =>
      ({ left: 100, top: 50, width: 200, height: 100 }) as DOMRect;
  };

  it('is pointed at, and said in words', () => {
    const told = ask({ is: 'place', picture: 7, described: 'A rear derailleur' });
    expect(screen.getByText(/^Point at the place/)).toBeVisible();
    const picture = screen.getByRole('button', { name: 'Well?' });
    expect(picture).toHaveAccessibleDescription(/^A rear derailleur Point at the place/);
    lying(picture);
    fireEvent.click(picture, { clientX: 150, clientY: 75, detail: 1 });
    expect(told).toHaveBeenLastCalledWith({ is: 'place', x: 0.25, y: 0.25 });
    expect(screen.getByText('Pointed at 25 % from the left and 25 % from the top.')).toBeVisible();
  });

  it('is found with the arrow keys, and settled when they are let go', () => {
    const told = ask({ is: 'place', picture: 7, described: 'A rear derailleur' });
    const picture = screen.getByRole('button', { name: 'Well?' });
    fireEvent.keyDown(picture, { key: 'ArrowRight' });
    fireEvent.keyDown(picture, { key: 'ArrowRight' });
    fireEvent.keyDown(picture, { key: 'ArrowUp', altKey: true });
    expect(told).not.toHaveBeenCalled();
    fireEvent.keyUp(picture, { key: 'ArrowUp' });
    expect(told).toHaveBeenLastCalledWith({ is: 'place', x: 0.54, y: 0.495 });
    fireEvent.keyDown(picture, { key: 'Enter' });
    fireEvent.keyUp(picture, { key: 'Enter' });
    fireEvent.click(picture, { detail: 0 });
    expect(told).toHaveBeenCalledTimes(1);
  });

  it('is drawn by dragging, moved and sized by keys, and stays on the picture', () => {
    const told = write({ is: 'place', picture: 7, described: 'A derailleur', areas: [] });
    const drawing = screen.getByAltText('A derailleur').parentElement?.parentElement as Element;
    lying(drawing);
    fireEvent.pointerDown(drawing, { clientX: 120, clientY: 60, button: 0 });
    fireEvent.pointerMove(drawing, { clientX: 160, clientY: 110, button: 0 });
    fireEvent.pointerUp(drawing, { clientX: 160, clientY: 110, button: 0 });
    const drawn = { called: '', left: 0.1, top: 0.1, width: 0.2, height: 0.5, round: false };
    expect(told).toHaveBeenLastCalledWith(
      expect.objectContaining({ areas: [expect.objectContaining(drawn)] }),
    );
    const area = screen.getByRole('button', { name: 'Area 1: move or size' });
    for (let n = 0; n < 9; n++) fireEvent.keyDown(area, { key: 'ArrowLeft' });
    fireEvent.keyDown(area, { key: 'ArrowDown', shiftKey: true });
    expect(told).toHaveBeenLastCalledWith(
      expect.objectContaining({
        areas: [expect.objectContaining({ ...drawn, left: 0, height: 0.52 })],
      }),
    );
    fireEvent.pointerDown(drawing, { clientX: 120, clientY: 60, button: 0 });
    fireEvent.pointerUp(drawing, { clientX: 120, clientY: 60, button: 0 });
    expect(screen.getAllByRole('button', { name: /move or size/ })).toHaveLength(1);
  });

  it('is looked at again with what was right by name', () => {
    review({
      is: 'place',
      picture: 7,
      described: 'A derailleur',
      given: { is: 'place', x: 0.5, y: 0.25 },
      right: [
        { id: 'a', called: 'Jockey wheel', left: 0, top: 0, width: 0.1, height: 0.1, round: true },
      ],
    });
    expect(
      screen.getByText(
        /Your answer: 50 % from the left and 25 % from the top. Right answer: Jockey wheel/,
      ),
    ).toBeVisible();
  });
});
