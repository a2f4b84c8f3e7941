package yendrik.server.http;

import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.converter.HttpMessageConverters;
import org.springframework.http.converter.yaml.JacksonYamlHttpMessageConverter;
import org.springframework.web.accept.ContentNegotiationStrategy;
import org.springframework.web.servlet.config.annotation.ContentNegotiationConfigurer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Bodies are JSON and are read by one parser, whatever libraries are there; answers have the one
 * form that they have, whatever is asked for.
 */
@Configuration
class JsonOnly implements WebMvcConfigurer {
  @Override
  public void configureMessageConverters(HttpMessageConverters.ServerBuilder converters) {
    converters.configureMessageConvertersList(
        all -> all.removeIf(c -> c instanceof JacksonYamlHttpMessageConverter));
  }

  @Override
  public void configureContentNegotiation(ContentNegotiationConfigurer negotiation) {
    negotiation.strategies(List.of(_ -> ContentNegotiationStrategy.MEDIA_TYPE_ALL_LIST));
  }
}
