@NullMarked
package yendrik.server.kinds.file;

import org.jspecify.annotations.NullMarked;
