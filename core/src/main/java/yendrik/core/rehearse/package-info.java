@NullMarked
package yendrik.core.rehearse;

import org.jspecify.annotations.NullMarked;
