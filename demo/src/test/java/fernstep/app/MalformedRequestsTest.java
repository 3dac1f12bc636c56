package fernstep.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension.Running;
import fernstep.app.ask.Visits;
import fernstep.app.run.Runner;
import fernstep.core.approach.Approach;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.core.DefaultParameterNameDiscoverer;
import org.springframework.core.MethodParameter;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Whatever is sent to whatever route, the answer is a sentence and never a fault of the program. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
@Isolated("tries every route there is")
class MalformedRequestsTest {
    private static final int IMOGEN = 1;
    private static final int REQUESTS = 2_000;
    private static final long SEED = 20311;
    /** Pages that play a thousand forecasts are asked less often. */
    private static final List<String> SLOW = List.of(
            "forecast", "compare", "progress", "calendar", "handout", "letters", "print", "home-link", "everything");

    private static final Set<String> STREAMS = Set.of("/board/changes", "/sessions/{sessionId}/trace");
    private static final int SLOW_ROUNDS = 6;
    private static final List<String> WRONG = List.of(
            "",
            " ",
            "NaN",
            "Infinity",
            "-1",
            "0",
            "1e400",
            "0x12",
            "+5",
            "99999999999999999999",
            "2031-02-30",
            "+999999999-12-31",
            "-999999999-01-01",
            "9999-12-31",
            "1000-01-01",
            "null",
            "[]",
            "{}",
            "';--",
            "%00",
            "<b>x</b>",
            "RUNG|||",
            "RANGE|LEG_FLOAT|LEFT|NaN",
            "SETS|LEG_FLOAT|LEFT|999999999",
            "ORDER|||A,B",
            "SIZE|||x",
            "house-99999999999999",
            "SLOW_LADDER",
            "F3",
            "LEFT",
            "🌿".repeat(40),
            "x".repeat(3_000));

    private record Route(String pattern, RequestMethod method, List<String> params, boolean body) {}

    private final Running app;
    private final Visits visits;
    private final Runner runner;

    MalformedRequestsTest(Running app, Visits visits, Runner runner) {
        this.app = app;
        this.visits = visits;
        this.runner = runner;
    }

    private List<Route> routes() {
        List<Route> routes = new ArrayList<>();
        DefaultParameterNameDiscoverer names = new DefaultParameterNameDiscoverer();
        for (RequestMappingHandlerMapping mapping :
                app.context().getBeansOfType(RequestMappingHandlerMapping.class).values()) {
            mapping.getHandlerMethods()
                    .forEach((info, handler) -> info.getPatternValues().stream()
                            // a stream has no end to wait for
                            .filter(pattern -> !pattern.startsWith("/error")
                                    && !pattern.equals("/sign-in")
                                    && !STREAMS.contains(pattern))
                            .forEach(pattern -> info.getMethodsCondition()
                                    .getMethods()
                                    .forEach(method -> routes.add(
                                            new Route(pattern, method, params(handler, names), hasBody(handler))))));
        }
        routes.sort(java.util.Comparator.comparing(Route::pattern).thenComparing(Route::method));
        return routes;
    }

    private static boolean hasBody(HandlerMethod handler) {
        return Arrays.stream(handler.getMethodParameters())
                .anyMatch(parameter -> parameter.hasParameterAnnotation(RequestBody.class));
    }

    private static List<String> params(HandlerMethod handler, DefaultParameterNameDiscoverer names) {
        List<String> all = new ArrayList<>();
        for (MethodParameter p : handler.getMethodParameters()) {
            p.initParameterNameDiscovery(names);
            if (p.hasParameterAnnotation(RequestParam.class) && p.getParameterName() != null) {
                all.add(p.getParameterName());
            } else if (p.getParameterType().isRecord()) {
                Arrays.stream(p.getParameterType().getRecordComponents())
                        .forEach(component -> all.add(component.getName()));
            }
        }
        return all;
    }

    @Test
    void two_thousand_malformed_requests_over_all_routes_never_fail_inside(Visitor visitor) throws Exception {
        long client = Someone.firm(app.context(), "Fuzz Person", Approach.SLOW_LADDER, 20);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        String session = runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
        Page page = visitor.onTheBoard("imogen");
        String token = page.getAttribute("meta[name=csrf]", "content");
        List<Route> routes = routes();
        assertThat(routes).hasSizeGreaterThan(50);
        Random random = new Random(SEED);
        String cookies = page.context().cookies().stream()
                .map(cookie -> cookie.name + "=" + cookie.value)
                .collect(Collectors.joining("; "));
        HttpClient http = HttpClient.newBuilder()
                .followRedirects(HttpClient.Redirect.NEVER)
                .build();
        Map<String, String> faults = new ConcurrentSkipListMap<>();
        List<Runnable> all = new ArrayList<>();
        for (int i = 0; i < REQUESTS; i++) {
            Route route = routes.get(i % routes.size());
            if (i > SLOW_ROUNDS * routes.size() && SLOW.stream().anyMatch(route.pattern()::contains)) {
                route = routes.get(random.nextInt(routes.size()));
            }
            String own = route.pattern().startsWith("/sessions")
                    ? session
                    : route.pattern().startsWith("/visits") ? String.valueOf(visit) : String.valueOf(client);
            String path = route.pattern()
                    .replaceFirst("\\{[^}]+}", random.nextInt(5) == 0 ? encoded(wrong(random)) : own)
                    .replaceAll("\\{[^}]+}", encoded(wrong(random)))
                    .replace("**", "x");
            List<String> told = new ArrayList<>();
            for (String name : route.params()) {
                if (random.nextInt(6) > 0) {
                    told.add(name + "=" + form(wrong(random)));
                }
            }
            String params = String.join("&", told);
            boolean asks = route.method() == RequestMethod.GET;
            HttpRequest.Builder request = HttpRequest.newBuilder(
                            URI.create(app.baseUrl() + path + (asks && !told.isEmpty() ? "?" + params : "")))
                    .timeout(Duration.ofSeconds(30))
                    .header("X-CSRF-TOKEN", token)
                    .header("Cookie", cookies)
                    .header("Content-Type", route.body() ? "application/json" : "application/x-www-form-urlencoded")
                    .method(
                            route.method().name(),
                            asks
                                    ? HttpRequest.BodyPublishers.noBody()
                                    : HttpRequest.BodyPublishers.ofString(route.body() ? body(random) : params));
            String about = route.method() + " " + route.pattern();
            all.add(() -> answered(http, request.build())
                    .filter(MalformedRequestsTest::fails)
                    .ifPresent(
                            answer -> faults.putIfAbsent(about + " " + answer.statusCode(), path + " " + cut(params))));
        }
        ExecutorService two = Executors.newFixedThreadPool(2);
        List<Future<?>> sent = all.stream().<Future<?>>map(two::submit).toList();
        two.shutdown();
        for (Future<?> one : sent) {
            one.get();
        }
        assertThat(faults).isEmpty();
        assertThat(visits.byId(visit).client().id()).as("she is still there").isEqualTo(client);
    }

    private static Optional<HttpResponse<String>> answered(HttpClient http, HttpRequest request) {
        try {
            return Optional.of(http.send(request, HttpResponse.BodyHandlers.ofString()));
        } catch (IOException e) {
            throw new UncheckedIOException(request.uri().toString(), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
    }

    private static boolean fails(HttpResponse<String> answer) {
        return answer.statusCode() >= 500
                || answer.body().contains("at fernstep.")
                || answer.body().contains("java.lang.");
    }

    private static String form(String value) {
        return java.net.URLEncoder.encode(value, java.nio.charset.StandardCharsets.UTF_8);
    }

    private static String cut(String text) {
        return text.length() > 200 ? text.substring(0, 200) + " …" : text;
    }

    private static String body(Random random) {
        List<String> bodies = List.of(
                "",
                "{",
                "[]",
                "null",
                "{\"id\":\"x\"}",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"SIGN\"}",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"EFFORT\",\"value\":99999999999}",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"SIGN\",\"sign\":{\"code\":\"NOPE\"}}",
                "{\"op\":\"plan\"}",
                "{\"op\":\"range\",\"range\":\"NaN\"}",
                "[".repeat(5_000));
        return bodies.get(random.nextInt(bodies.size()));
    }

    private static String wrong(Random random) {
        return WRONG.get(random.nextInt(WRONG.size()));
    }

    private static String encoded(String value) {
        String cut = value.length() > 200 ? value.substring(0, 200) : value;
        String encoded = java.net.URLEncoder.encode(cut, java.nio.charset.StandardCharsets.UTF_8)
                .replace("+", "%20");
        return encoded.isEmpty() ? "%20" : encoded;
    }
}
