@NullMarked
package yendrik.server.design;

import org.jspecify.annotations.NullMarked;
