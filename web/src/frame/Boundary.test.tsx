import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Link } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { show } from '../test/stage';
import { Boundary } from './Boundary';

let fault: Error | null;
function View() {
  if (fault) throw fault;
  return <h1>Here again</h1>;
}
const framed = (
  <>
    <Link to="/c/2/other">another view</Link>
    <Boundary>
      <View />
    </Boundary>
  </>
);

describe('a view that fails', () => {
  beforeEach(() => vi.spyOn(console, 'error').mockImplementation(() => {}));
  afterEach(() => vi.restoreAllMocks());

  it('leaves the frame standing and can be tried again', async () => {
    fault = new Error('undefined is not a bead');
    show(framed);
    expect(screen.getByText(/Something went wrong in this view/)).toBeInTheDocument();
    fault = null;
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(screen.getByText('Here again')).toBeInTheDocument();
  });

  it('is tried again by going to another one', async () => {
    fault = new Error('undefined is not a bead');
    show(framed);
    fault = null;
    await userEvent.click(screen.getByText('another view'));
    expect(screen.getByText('Here again')).toBeInTheDocument();
  });

  it('is fetched again when the network is back, if it could not be fetched', () => {
    fault = new TypeError('Failed to fetch dynamically imported module: /assets/Progress.js');
    const reload = vi.fn();
    vi.stubGlobal('location', { ...window.location, reload });
    show(framed);
    expect(screen.getByText(/when the network is back/)).toBeInTheDocument();
    window.dispatchEvent(new Event('online'));
    expect(reload).toHaveBeenCalledTimes(1);
    vi.unstubAllGlobals();
  });
});
