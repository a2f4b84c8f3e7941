import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { ApiError, api, body, type MyAward, type Wallet } from '../api/client';
import { queries } from '../api/queries';
import { useNotice } from '../ui/Notice';

const BACK = 'yendrik-wallet-back';

/** Where one was before a wallet was asked. */
export const whereFrom = () => sessionStorage.getItem(BACK) ?? '/';

/** The wallets to which badges can be sent. */
export const useWallets = () => useQuery(queries.wallets()).data ?? [];

/** Asks the wallet whether badges may be put there: its holder says so on its own page. */
async function ask(wallet: Wallet, award: MyAward) {
  const { address } = await body(
    api.POST('/api/account/wallets/{wallet}/asking', {
      params: { path: { wallet: wallet.name } },
      body: { award: award.id },
    }),
  );
  sessionStorage.setItem(BACK, window.location.pathname);
  window.location.assign(address);
}

/** Sends a badge to a wallet, and asks it first where that was not done or counts no more. */
export function useSend(award: MyAward) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  return useMutation({
    mutationFn: async (wallet: Wallet) => {
      if (!wallet.linked) return ask(wallet, award);
      try {
        const { fresh } = await body(
          api.POST('/api/account/wallets/{wallet}/badges/{award}', {
            params: { path: { wallet: wallet.name, award: award.id } },
          }),
        );
        const names = { badge: award.name, wallet: wallet.name };
        notice({ tone: 'success', text: t(fresh ? 'along.sent' : 'along.sentAgain', names) });
      } catch (error) {
        // what the wallet allowed counts no more: the list says so now
        const wallets = await client.fetchQuery({ ...queries.wallets(), staleTime: 0 });
        const now = wallets.find((w) => w.name === wallet.name);
        if (error instanceof ApiError && error.problem.status === 409 && now && !now.linked)
          return ask(now, award);
        throw error;
      }
    },
    onSettled: () => client.invalidateQueries({ queryKey: queries.wallets().queryKey }),
  });
}
