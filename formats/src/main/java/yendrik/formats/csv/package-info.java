@NullMarked
package yendrik.formats.csv;

import org.jspecify.annotations.NullMarked;
