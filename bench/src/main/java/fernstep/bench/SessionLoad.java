package fernstep.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Sixty sessions at once, each on a tablet that is signed in for itself, telling an event every 0.3 s and asking for news every 1.5 s, beside ten boards that are read
 * every second, against a running demo on loopback. Prints what each kind of request took and the errors.
 */
public final class SessionLoad {
    private static final int SESSIONS = 60;
    private static final int BOARDS = 10;
    private static final int EVENT_EVERY_MS = 300;
    private static final int NEWS_EVERY_MS = 1500;
    /** They come one after another, as clients do. */
    private static final int JOINS_EVERY_MS = 700;

    private static final int WARM_UP_S = 60;
    private static final int MEASURED_S = 30;

    private final Executor threads = Executors.newFixedThreadPool(4);
    private final String base;
    private final AtomicInteger errors = new AtomicInteger();
    private final AtomicInteger late = new AtomicInteger();
    private volatile boolean measuring;

    private SessionLoad(String base) {
        this.base = base;
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        URI base = URI.create(args[0]);
        if (!"127.0.0.1".equals(base.getHost()) && !"localhost".equals(base.getHost())) {
            throw new IllegalArgumentException("only a demo on this machine");
        }
        new SessionLoad(args[0]).run();
    }

    private void run() throws IOException, InterruptedException {
        Tablet first = new Tablet(base, threads);
        first.signIn();
        List<String> sessions = Tablet.sessions(first, SESSIONS);
        List<Tablet> tablets = new ArrayList<>();
        for (int i = 0; i < SESSIONS + BOARDS; i++) {
            Tablet tablet = new Tablet(base, threads);
            tablet.signIn();
            tablets.add(tablet);
        }
        Queue<Double> events = new ConcurrentLinkedQueue<>();
        Queue<Double> boards = new ConcurrentLinkedQueue<>();
        Queue<Double> news = new ConcurrentLinkedQueue<>();
        List<Future<?>> running = new ArrayList<>();
        ScheduledExecutorService clock = Executors.newScheduledThreadPool(2);
        for (int i = 0; i < sessions.size(); i++) {
            Tablet tablet = tablets.get(i);
            Script script = new Script(sessions.get(i), tablet);
            int offset = i * JOINS_EVERY_MS + i * EVENT_EVERY_MS / sessions.size();
            running.add(clock.scheduleAtFixedRate(
                    () -> script.tell(events), offset, EVENT_EVERY_MS, TimeUnit.MILLISECONDS));
            running.add(clock.scheduleAtFixedRate(
                    () -> send(tablet, tablet.get(script.path + "/state?known=" + script.version), news, body -> {}),
                    offset + 1000L,
                    NEWS_EVERY_MS,
                    TimeUnit.MILLISECONDS));
        }
        for (int i = 0; i < BOARDS; i++) {
            Tablet tablet = tablets.get(SESSIONS + i);
            running.add(clock.scheduleAtFixedRate(
                    () -> send(tablet, tablet.get("/"), boards, body -> {}), 100L * i, 1000, TimeUnit.MILLISECONDS));
        }
        System.out.println("warming up for " + WARM_UP_S + " s, then measuring for " + MEASURED_S + " s …");
        TimeUnit.SECONDS.sleep(WARM_UP_S);
        measuring = true;
        TimeUnit.SECONDS.sleep(MEASURED_S);
        measuring = false;
        running.forEach(future -> future.cancel(false));
        clock.shutdownNow();
        System.out.println(sessions.size() + " sessions, " + BOARDS + " boards");
        report("events", events);
        report("news", news);
        report("boards", boards);
        System.out.println("errors " + errors.get() + ", events that waited for the one before " + late.get());
        System.exit(errors.get() == 0 ? 0 : 1);
    }

    /** What is told of one session: repetitions, a sign and its undo, sets, efforts. */
    private final class Script {
        private final String path;
        private final Tablet tablet;
        private final AtomicBoolean inFlight = new AtomicBoolean();
        private int at;
        private volatile String version = "0";

        Script(String session, Tablet tablet) {
            this.tablet = tablet;
            this.path = "/sessions/" + session;
        }

        void told(String body) {
            Matcher m = Pattern.compile("\"version\":\"([^\"]+)\"").matcher(body);
            if (m.find()) {
                version = m.group(1);
            }
        }

        /** As the page does: the next event goes when the one before is answered; meanwhile it waits on the tablet. */
        void tell(Queue<Double> took) {
            if (inFlight.compareAndSet(false, true)) {
                send(tablet, next(), took, this::told, () -> inFlight.set(false));
            } else {
                late.incrementAndGet();
            }
        }

        HttpRequest next() {
            String[] kinds = {
                "\"REP\"",
                "\"REP\"",
                "\"SIGN\",\"sign\":{\"code\":\"RUSHED\",\"severity\":\"CLEAR\"}",
                "\"UNDO\"",
                "\"UNDO\""
            };
            String body = "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":" + kinds[at++ % kinds.length] + "}";
            return tablet.posting(path + "/events", "application/json", body);
        }
    }

    private void send(Tablet by, HttpRequest request, Queue<Double> took, Consumer<String> read) {
        send(by, request, took, read, () -> {});
    }

    private void send(Tablet by, HttpRequest request, Queue<Double> took, Consumer<String> read, Runnable after) {
        long start = System.nanoTime();
        CompletableFuture<?> told = by.http()
                .sendAsync(request, HttpResponse.BodyHandlers.ofString())
                .whenComplete((answer, lost) -> {
                    if (measuring) {
                        took.add((System.nanoTime() - start) / 1e6);
                        if (lost != null || answer.statusCode() >= 400) {
                            errors.incrementAndGet();
                        }
                    }
                    after.run();
                    if (answer != null) {
                        read.accept(answer.body());
                    }
                });
        told.exceptionally(lost -> null).isDone();
    }

    private static void report(String what, Queue<Double> took) {
        double[] ms = took.stream().mapToDouble(Double::doubleValue).toArray();
        Arrays.sort(ms);
        System.out.printf(
                "%-20s %6d   median %6.1f ms   95 %% %6.1f ms   worst %6.1f ms%n",
                what, ms.length, ms[ms.length / 2], ms[ms.length * 95 / 100], ms[ms.length - 1]);
    }
}
