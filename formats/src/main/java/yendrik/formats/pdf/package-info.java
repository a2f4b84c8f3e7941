/** Tables on paper, as PDF (ISO 32000). */
@NullMarked
package yendrik.formats.pdf;

import org.jspecify.annotations.NullMarked;
