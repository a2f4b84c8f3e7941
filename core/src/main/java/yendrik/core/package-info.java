/** The rules of the job and their computation, without any interface or framework. */
@NullMarked
package yendrik.core;

import org.jspecify.annotations.NullMarked;
