import { screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { StepPage } from '../../api/client';
import { show } from '../../test/stage';
import Learner from './Learner';

const page = { id: 14, name: 'Brake set-up', kind: 'PRACTICAL', state: 'OPEN' } as StepPage;
const props = { page, walk: 'mine' as const, show: vi.fn(), refresh: vi.fn() };

describe('a practical', () => {
  it('says that staff sign it off, and then what they said', () => {
    const before = show(<Learner {...props} part={{ is: 'practical' }} />);
    expect(screen.getByText(/sign/i)).toBeInTheDocument();
    before.unmount();
    show(<Learner {...props} part={{ is: 'practical', signedOff: 'Clean work.' }} />);
    expect(screen.getByText(/Clean work\./)).toBeInTheDocument();
  });
});
