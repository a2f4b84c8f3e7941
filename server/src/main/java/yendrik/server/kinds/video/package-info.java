@NullMarked
package yendrik.server.kinds.video;

import org.jspecify.annotations.NullMarked;
