@NullMarked
package yendrik.server.post;

import org.jspecify.annotations.NullMarked;
