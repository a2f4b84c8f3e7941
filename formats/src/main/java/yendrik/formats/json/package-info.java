@NullMarked
package yendrik.formats.json;

import org.jspecify.annotations.NullMarked;
