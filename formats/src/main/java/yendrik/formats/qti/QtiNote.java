package yendrik.formats.qti;

import yendrik.core.words.Phrase;

/**
 * Something that was changed or left out.
 *
 * @param where the question's name, or the file of the package
 * @param left whether the whole question was left out
 */
public record QtiNote(String where, boolean left, Phrase says) {}
