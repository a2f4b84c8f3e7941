@NullMarked
package yendrik.server.work;

import org.jspecify.annotations.NullMarked;
