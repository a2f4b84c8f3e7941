@NullMarked
package yendrik.server.kinds.page;

import org.jspecify.annotations.NullMarked;
