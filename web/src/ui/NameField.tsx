import { SavedField } from './SavedField';
import { useToBeNamed } from './toBeNamed';

/** The name of a thing, saved by itself; gone to, and all of it chosen, where it was just added. */
export function NameField({
  of,
  ...field
}: Parameters<typeof SavedField>[0] & {
  /** The part and the id of the thing, "modules-7". */
  of: string;
}) {
  const fresh = useToBeNamed(of);
  return (
    <SavedField {...field} {...(fresh && { autoFocus: true, onFocus: (e) => e.target.select() })} />
  );
}
