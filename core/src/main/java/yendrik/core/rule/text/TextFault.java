package yendrik.core.rule.text;

import yendrik.core.words.Phrase;

/**
 * Why a text is no rule.
 *
 * @param line 1 for the first
 * @param column 1 for the first sign of the line
 */
public record TextFault(int line, int column, Phrase says) {}
