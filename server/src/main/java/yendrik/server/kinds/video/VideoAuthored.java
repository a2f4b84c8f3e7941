package yendrik.server.kinds.video;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Optional;
import yendrik.server.design.AuthorPart;

/** A film, once there is one. */
@JsonTypeName("video")
public record VideoAuthored(
    Optional<Film> film, Optional<Elsewhere> elsewhere, List<Caption> captions)
    implements AuthorPart {}
