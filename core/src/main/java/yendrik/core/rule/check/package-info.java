@NullMarked
package yendrik.core.rule.check;

import org.jspecify.annotations.NullMarked;
