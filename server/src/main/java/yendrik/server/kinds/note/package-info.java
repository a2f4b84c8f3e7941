@NullMarked
package yendrik.server.kinds.note;

import org.jspecify.annotations.NullMarked;
