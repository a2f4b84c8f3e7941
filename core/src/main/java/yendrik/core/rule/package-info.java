@NullMarked
package yendrik.core.rule;

import org.jspecify.annotations.NullMarked;
