@NullMarked
package yendrik.server.jobs;

import org.jspecify.annotations.NullMarked;
