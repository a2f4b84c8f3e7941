package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import yendrik.core.course.StepKind;
import yendrik.core.quiz.QuestionKind;
import yendrik.server.kinds.StepRoom;
import yendrik.server.kinds.quiz.question.QuestionRoom;

/** Each kind of step has a room that says all that is asked of it. */
@ServerTest
class RoomsTest {
  @Autowired List<StepRoom<?, ?, ?>> rooms;

  @Autowired List<QuestionRoom<?, ?, ?, ?, ?>> questions;

  @Test
  void what_is_sent_of_a_kind_of_question_is_called_as_it_is_kept() {
    assertThat(questions)
        .extracting(QuestionRoom::kind)
        .containsExactlyInAnyOrder(QuestionKind.values());
    for (QuestionRoom<?, ?, ?, ?, ?> room : questions)
      for (Class<?> part : List.of(room.written(), room.part(), room.given(), room.reviewed()))
        assertThat(part.getAnnotation(com.fasterxml.jackson.annotation.JsonTypeName.class).value())
            .as(part.getName())
            .isEqualTo(room.kind().stored());
  }

  @Test
  void there_is_one_room_for_each_kind() {
    assertThat(rooms).extracting(StepRoom::kind).containsExactlyInAnyOrder(StepKind.values());
  }

  @Test
  void what_is_sent_of_a_kind_is_called_after_it() {
    for (StepRoom<?, ?, ?> room : rooms) {
      String name = room.kind().name().toLowerCase(Locale.ROOT);
      for (Class<?> part : List.of(room.part(), room.edit(), room.learnerPart()))
        assertThat(part.getAnnotation(com.fasterxml.jackson.annotation.JsonTypeName.class).value())
            .as(part.getName())
            .isEqualTo(name);
    }
  }
}
