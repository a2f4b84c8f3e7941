package yendrik.server.http;

import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;

/**
 * Answers as a Problem Detail what goes wrong before or outside of controllers: an address that the
 * web server cannot read, headers that are too long, a failure in a filter.
 */
final class ErrorValve extends ErrorReportValve {
  private final Refusals refusals;

  private ErrorValve(Refusals refusals) {
    this.refusals = refusals;
  }

  @Override
  protected void report(Request request, Response response, @Nullable Throwable thrown) {
    int status = response.getStatus();
    boolean begun = response.getContentWritten() > 0;
    if (status < HttpStatus.BAD_REQUEST.value() || begun || !response.setErrorReported()) return;
    try {
      refusals.write(response.getResponse(), why(status, thrown));
      response.finishResponse();
    } catch (IOException e) {
      // Whoever asked has gone.
      container.getLogger().debug("nobody reads the answer", e);
    }
  }

  private static Exception why(int status, @Nullable Throwable thrown) {
    if (status != HttpStatus.INTERNAL_SERVER_ERROR.value()) return Problem.ofStatus(status);
    return thrown instanceof Exception e
        ? e
        : new IllegalStateException("answered with " + status, thrown);
  }

  @Configuration
  static class InTomcat {
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> errorsOfTomcat(Refusals refusals) {
      return factory -> {
        factory.addContextCustomizers(context -> {
          var host = (StandardHost) context.getParent();
          host.setErrorReportValveClass(ErrorValve.class.getName());
          host.getPipeline().addValve(new ErrorValve(refusals));
        });
        // Of languages that somebody asks for there may be as many as a header holds.
        factory.addConnectorCustomizers(
            connector -> connector.setMaxLocaleCount(Integer.MAX_VALUE));
      };
    }
  }
}
