package yendrik.server.http;

import java.io.IOException;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;
import org.springframework.web.servlet.resource.PathResourceResolver;

/** Serves the web client; an address that is a view, not a file, gets the one page. */
@Configuration
class WebPages implements WebMvcConfigurer {
  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable())
        .resourceChain(true)
        .addResolver(new EncodedResourceResolver())
        .addResolver(new PathResourceResolver());
    registry
        .addResourceHandler("/**")
        .addResourceLocations("classpath:/static/")
        .setCacheControl(CacheControl.noCache())
        .resourceChain(true)
        .addResolver(new Views());
  }

  private static final class Views extends PathResourceResolver {
    @Override
    protected @Nullable Resource getResource(String path, Resource location) throws IOException {
      Resource found = super.getResource(path, location);
      if (found != null) return found;
      boolean view =
          !path.startsWith("api/")
              && !path.startsWith("v3/")
              && !path.startsWith("actuator/")
              && !path.contains(".");
      return view ? super.getResource("index.html", location) : null;
    }
  }
}
