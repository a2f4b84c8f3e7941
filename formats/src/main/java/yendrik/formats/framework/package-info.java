@NullMarked
package yendrik.formats.framework;

import org.jspecify.annotations.NullMarked;
