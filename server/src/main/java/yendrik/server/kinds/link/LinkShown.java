package yendrik.server.kinds.link;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.learn.LearnerPart;

/**
 * Where the link leads.
 *
 * @param host whose page it is
 */
@JsonTypeName("link")
public record LinkShown(String address, String host) implements LearnerPart {}
