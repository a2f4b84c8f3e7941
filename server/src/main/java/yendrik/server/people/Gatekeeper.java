package yendrik.server.people;

import static java.util.Objects.requireNonNull;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import yendrik.core.id.CourseId;
import yendrik.server.http.Ids;
import yendrik.server.http.Problem;

/**
 * Lets a request through only with the right that its endpoint names, and hands the endpoint the
 * {@link SignedIn} person and their {@link Seat} in the course of the address.
 */
@Component
class Gatekeeper implements HandlerInterceptor, HandlerMethodArgumentResolver {
  private static final String SEAT = Gatekeeper.class.getName() + ".seat";
  private final People people;
  private final Ids ids;

  Gatekeeper(People people, Ids ids) {
    this.people = people;
    this.ids = ids;
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    if (!(handler instanceof HandlerMethod method)
        || !method.getBeanType().getPackageName().startsWith("yendrik")
        || request.getDispatcherType() == DispatcherType.ASYNC) return true;
    Needs needs = method.getMethodAnnotation(Needs.class);
    if (needs == null) throw Problem.forbidden("address-not-open");
    if (needs.value() == Right.ANYBODY) return true;
    SignedIn person = signedIn().orElseThrow(() -> Problem.unauthorized("sign-in"));
    if (needs.value() == Right.SIGNED_IN) return true;
    if (needs.value() == Right.ADMINISTER) {
      if (!person.administrator()) throw Problem.forbidden("only-administrators");
      return true;
    }
    if (needs.value() == Right.MAKE_COURSES) {
      if (!people.makesCourses(person)) throw Problem.forbidden("only-who-makes-courses");
      return true;
    }
    Seat seat = seat(request, person);
    if (seat instanceof Seat.Nobody) throw Problem.notFound("course");
    if (!seat.has(needs.value())) throw Problem.forbidden("not-your-part");
    request.setAttribute(SEAT, seat);
    return true;
  }

  private Seat seat(HttpServletRequest request, SignedIn person) {
    Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
    if (!(variables instanceof Map<?, ?> map) || !(map.get("course") instanceof String text))
      throw new IllegalStateException("an endpoint with a course right has no {course}");
    CourseId course = ids.read(text, CourseId.class).orElseThrow(() -> Problem.notFound("course"));
    return RequestContexts.seat(request, course).orElseGet(() -> people.seat(course, person));
  }

  static Optional<SignedIn> signedIn() {
    Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
    return authentication != null && authentication.getPrincipal() instanceof SignedIn person
        ? Optional.of(person)
        : Optional.empty();
  }

  @Override
  public boolean supportsParameter(MethodParameter parameter) {
    return parameter.getParameterType() == Seat.class
        || parameter.getParameterType() == Whence.class
        || parameter.getParameterType() == SignedIn.class;
  }

  @Override
  public @Nullable Object resolveArgument(
      MethodParameter parameter,
      @Nullable ModelAndViewContainer container,
      NativeWebRequest request,
      @Nullable WebDataBinderFactory binders) {
    if (parameter.getParameterType() == Seat.class)
      return request.getAttribute(SEAT, NativeWebRequest.SCOPE_REQUEST);
    if (parameter.getParameterType() == Whence.class)
      return Whence.of(requireNonNull(request.getNativeRequest(HttpServletRequest.class)));
    return signedIn().orElseThrow(() -> Problem.unauthorized("sign-in"));
  }
}
