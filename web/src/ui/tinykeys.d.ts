/** Its own types cannot be found by the name of the package. */
declare module 'tinykeys' {
  export function tinykeys(
    target: Window | HTMLElement,
    keys: Record<string, (event: KeyboardEvent) => void>,
  ): () => void;
  export function createKeybindingsHandler(
    keys: Record<string, (event: KeyboardEvent) => void>,
  ): (event: Event) => void;
}
