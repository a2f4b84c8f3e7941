import { useMutation } from '@tanstack/react-query';
import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import * as z from 'zod/mini';
import { ApiError } from '../api/client';
import { show } from '../test/stage';
import { Field, FormDialog } from './FormDialog';
import { filled, useFields, whole } from './useFields';
import { useSaving } from './useSaving';

const bench = z.object({ name: filled(), places: whole(1, 12) });

function BenchDialog({
  send,
  onClose,
}: {
  send: (made: z.output<typeof bench>) => Promise<unknown>;
  onClose: () => void;
}) {
  const fields = useFields(bench, { name: 'Wheel bench', places: 4 });
  const sending = useMutation({ mutationFn: send });
  return (
    <FormDialog title="A bench" fields={fields} send={sending} button="Make" onClose={onClose}>
      <Field of={fields} name="name" label="Name" />
      <Field of={fields} name="places" label="Places" type="number" />
    </FormDialog>
  );
}

const type = async (label: string, text: string) => {
  await userEvent.clear(screen.getByLabelText(label));
  if (text) await userEvent.type(screen.getByLabelText(label), text);
};

const make = () => userEvent.click(screen.getByRole('button', { name: 'Make' }));

const fault = (fields: Record<string, string>, detail = 'Please look at the fields.') =>
  new ApiError({ detail, status: 422, fields });

function LeftBench({ send }: { send: () => Promise<unknown> }) {
  const [open, setOpen] = useState(true);
  return (
    <>
      <SaidSaving />
      {open && <BenchDialog send={send} onClose={() => setOpen(false)} />}
    </>
  );
}

/** What would be said in the frame, of which this part knows nothing. */
const SaidSaving = () => <output>{useSaving().is}</output>;

describe('a form in a dialog', () => {
  it('takes its refusal with it when it is left', async () => {
    show(<LeftBench send={() => Promise.reject(fault({ name: 'Taken.' }))} />);
    await make();
    expect(await screen.findByText('Taken.')).toBeVisible();
    expect(screen.getByRole('status', { hidden: true })).toHaveTextContent('refused');
    await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
    expect(await screen.findByText('nothing')).toBeInTheDocument();
  });

  function open(send = vi.fn(async () => ({}))) {
    const onClose = vi.fn();
    show(<BenchDialog send={send} onClose={onClose} />);
    return { send, onClose };
  }

  it('sends what is in it, numbers as numbers and texts without space around', async () => {
    const { send } = open();
    await type('Name', '  Brake bench ');
    await type('Places', '6');
    await userEvent.type(screen.getByLabelText('Name'), '{Enter}');
    await vi.waitFor(() => expect(send).toHaveBeenCalledTimes(1));
    expect(send.mock.calls[0]).toContainEqual({ name: 'Brake bench', places: 6 });
  });

  it.each([
    ['Name', ' ', 'Please fill this in.'],
    ['Places', '', 'Please fill this in.'],
    ['Places', '0', 'At least 1.'],
    ['Places', '13', 'At most 12.'],
    ['Places', '2.5', 'Please fill in a whole number.'],
  ])(
    'says at the field %s what is wrong with “%s”, and sends nothing',
    async (label, text, why) => {
      const { send } = open();
      await type(label, text);
      await make();
      expect(await screen.findByText(why)).toBeInTheDocument();
      expect(screen.getByLabelText(label)).toHaveAttribute('aria-invalid', 'true');
      expect(screen.getByLabelText(label)).toHaveFocus();
      expect(send).not.toHaveBeenCalled();
    },
  );

  it('says at its field what the server finds wrong, and can be sent again', async () => {
    const send = vi.fn(async () => ({}));
    send.mockRejectedValueOnce(fault({ places: 'There are six stands.' }));
    open(send);
    await make();
    expect(await screen.findByText('There are six stands.')).toBeInTheDocument();
    expect(screen.queryByRole('alert')).not.toBeInTheDocument();
    await type('Places', '6');
    await make();
    await vi.waitFor(() => expect(send).toHaveBeenCalledTimes(2));
  });

  it('says above all what is wrong with something that is no field of it', async () => {
    open(vi.fn(() => Promise.reject(fault({ zone: 'unknown' }, 'Please look at: zone.'))));
    await make();
    expect(await screen.findByRole('alert')).toHaveTextContent('Please look at: zone.');
  });

  it('is left by a click beside it only while nothing was typed', async () => {
    const { onClose } = open();
    const beside = () => {
      const backdrop = screen.getByRole('dialog').parentElement as HTMLElement;
      fireEvent.mouseDown(backdrop);
      fireEvent.click(backdrop);
    };
    await type('Name', 'Brake bench');
    beside();
    expect(onClose).not.toHaveBeenCalled();
    await type('Name', 'Wheel bench');
    beside();
    expect(onClose).toHaveBeenCalledTimes(1);
  });
});
