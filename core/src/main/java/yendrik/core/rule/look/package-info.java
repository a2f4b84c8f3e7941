@NullMarked
package yendrik.core.rule.look;

import org.jspecify.annotations.NullMarked;
