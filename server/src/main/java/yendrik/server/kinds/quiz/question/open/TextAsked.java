package yendrik.server.kinds.quiz.question.open;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.kinds.quiz.question.AskedPart;

/** Room for a text. */
@JsonTypeName("open")
public record TextAsked() implements AskedPart {}
