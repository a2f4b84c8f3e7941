@NullMarked
package yendrik.formats.xlsx;

import org.jspecify.annotations.NullMarked;
