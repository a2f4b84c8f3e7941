package yendrik.server.jobs;

import yendrik.server.http.Variant;

/** What long work has come to; each kind of work has its own. */
public interface JobResult extends Variant {}
