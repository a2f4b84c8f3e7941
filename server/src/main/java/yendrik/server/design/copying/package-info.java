@NullMarked
package yendrik.server.design.copying;

import org.jspecify.annotations.NullMarked;
