package yendrik.server.http;

import com.fasterxml.jackson.annotation.Nulls;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.function.Function;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.json.ProblemDetailJacksonMixin;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import yendrik.core.Plain;
import yendrik.core.Years;
import yendrik.formats.json.CoreJson;

/**
 * Looks at what comes in while it is read, so that nobody behind has to: no null where something
 * must stand, in lists and maps neither, no NUL character in texts (PostgreSQL keeps none), no
 * dates out of the sensible.
 */
@Configuration
class Edge {
  /** Core's own types in their own form, and all else as strictly as it can be read. */
  @Bean
  JsonMapper jsonMapper() {
    var module =
        new SimpleModule("edge")
            .addDeserializer(String.class, new Text())
            .addDeserializer(Instant.class, new Dated<>(Instant.class, Instant::parse, i -> i))
            .addDeserializer(
                LocalDate.class,
                new Dated<>(
                    LocalDate.class,
                    LocalDate::parse,
                    d -> d.atStartOfDay(ZoneOffset.UTC).toInstant()));
    return CoreJson.mapper()
        .rebuild()
        .addMixIn(ProblemDetail.class, ProblemDetailJacksonMixin.class)
        .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
        .changeDefaultNullHandling(n -> n.withContentNulls(Nulls.FAIL))
        .addModule(module)
        .registerSubtypes(Variants.all())
        .build();
  }

  @Bean
  HttpFirewall firewall() {
    var firewall = new StrictHttpFirewall();
    firewall.setAllowedParameterValues(value -> value.indexOf('\0') < 0);
    return firewall;
  }

  private static final class Text extends StdScalarDeserializer<String> {
    Text() {
      super(String.class);
    }

    @Override
    public String deserialize(JsonParser in, DeserializationContext context) {
      String text = in.getValueAsString();
      if (text == null) return (String) context.handleUnexpectedToken(getValueType(context), in);
      if (!Plain.canBeKept(text))
        return context.reportInputMismatch(this, Problem.VALID + "character");
      return text;
    }
  }

  private static final class Dated<T> extends StdScalarDeserializer<T> {
    private final Function<String, T> parse;
    private final Function<T, Instant> moment;

    Dated(Class<T> type, Function<String, T> parse, Function<T, Instant> moment) {
      super(type);
      this.parse = parse;
      this.moment = moment;
    }

    @Override
    public T deserialize(JsonParser in, DeserializationContext context) {
      try {
        T read = parse.apply(in.getValueAsString(""));
        if (!Years.hold(moment.apply(read)))
          return context.reportInputMismatch(this, Problem.VALID + "year");
        return read;
      } catch (DateTimeException e) {
        return context.reportInputMismatch(this, Problem.VALID + "date");
      }
    }
  }
}
