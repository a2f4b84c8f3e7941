package yendrik.server.design;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.jobs.JobResult;

/**
 * A file of outcomes was taken.
 *
 * @param fresh how many items are new
 * @param changed how many read differently now
 */
@JsonTypeName("taken")
public record Taken(int fresh, int changed) implements JobResult {}
