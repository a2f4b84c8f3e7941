/** Right choices with an equal share each, and wrong ones with none or with as much to lose. */
export function evenly<C extends { share: number }>(choices: C[], takesAway: boolean): C[] {
  const right = choices.filter((c) => c.share > 0).length;
  const share = right > 0 ? 1 / right : 1;
  const wrong = takesAway ? -share : 0;
  return choices.map((c) => ({ ...c, share: c.share > 0 ? share : wrong }));
}
