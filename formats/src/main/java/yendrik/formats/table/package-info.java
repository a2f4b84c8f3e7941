@NullMarked
package yendrik.formats.table;

import org.jspecify.annotations.NullMarked;
