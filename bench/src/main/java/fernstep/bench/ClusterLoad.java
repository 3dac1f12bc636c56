package fernstep.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Fifty sessions and ten boards against a proxy in front of a cluster, while parts of it are taken away and come back.
 * An event is told again with its own id until it is acknowledged, as the page does; in the end every node is asked for
 * all that was.
 */
public final class ClusterLoad {
    private static final int SESSIONS = 50;
    private static final int BOARDS = 10;
    private static final int EVENT_EVERY_MS = 2000;
    private static final int BOARD_EVERY_MS = 3000;
    private static final int AGAIN_AFTER_MS = 500;
    private static final int SIGN_IN_ATTEMPTS = 6;
    private static final int COHERENT_TRIES = 5;
    /** Until a visit that was opened stands on every board. */
    private static final int SETTLES_S = 3;

    private static final int COHERENT_LONGEST_MS = 10_000;

    private final String proxy;
    private final String script;
    private final Path acknowledgedFile;
    private final Queue<String> acknowledged = new ConcurrentLinkedQueue<>();
    private volatile Phase phase = new Phase("warm-up");
    private volatile boolean going = true;

    private ClusterLoad(String proxy, String script, Path acknowledgedFile) {
        this.proxy = proxy;
        this.script = script;
        this.acknowledgedFile = acknowledgedFile;
    }

    /** What was measured between two changes. */
    private static final class Phase {
        private final String name;
        private final Queue<Double> events = new ConcurrentLinkedQueue<>();
        private final Queue<Double> boards = new ConcurrentLinkedQueue<>();
        private final AtomicInteger eventErrors = new AtomicInteger();
        private final AtomicInteger boardErrors = new AtomicInteger();

        Phase(String name) {
            this.name = name;
        }

        void print() {
            System.out.printf(
                    "%-34s events %5d  95 %% %6.0f ms  worst %6.0f ms  attempts refused %4d   boards %4d  95 %% %6.0f ms  refused %3d%n",
                    name,
                    events.size(),
                    at(events, 0.95),
                    at(events, 1),
                    eventErrors.get(),
                    boards.size(),
                    at(boards, 0.95),
                    boardErrors.get());
        }

        private static double at(Queue<Double> took, double share) {
            double[] ms = took.stream().mapToDouble(Double::doubleValue).toArray();
            Arrays.sort(ms);
            return ms.length == 0 ? Double.NaN : ms[Math.min(ms.length - 1, (int) (ms.length * share))];
        }
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        if (!"127.0.0.1".equals(URI.create(args[0]).getHost())) {
            throw new IllegalArgumentException("only a cluster on this machine");
        }
        new ClusterLoad(args[0], args[3], Path.of(args[4])).run(args[1], args[2]);
    }

    private void run(String one, String other) throws IOException, InterruptedException {
        ExecutorService threads = Executors.newFixedThreadPool(SESSIONS + BOARDS);
        ExecutorService http = Executors.newFixedThreadPool(4);
        Tablet first = new Tablet(proxy, http);
        first.signIn();
        // an emergency closes what is told after it: not while sessions tell
        coherent(one, other);
        List<String> sessions = Tablet.sessions(first, SESSIONS);
        for (String session : sessions) {
            Tablet tablet = signedIn(http);
            threads.execute(() -> tell(tablet, session));
        }
        for (int i = 0; i < BOARDS; i++) {
            Tablet tablet = signedIn(http);
            threads.execute(() -> look(tablet));
        }
        System.out.println(SESSIONS + " sessions, an event every " + EVENT_EVERY_MS + " ms each; " + BOARDS
                + " boards, read every " + BOARD_EVERY_MS + " ms");
        measure("warm-up", 20);
        measure("before", 30);
        fault("the writing node is killed", "kill-database", 15);
        measure("after it", 15);
        fault("it comes back", "start-database", 10);
        fault("an instance is killed", "kill-app", 15);
        measure("after it", 15);
        fault("it comes back", "start-app", 10);
        fault("a node is cut off", "cut-off", 15);
        fault("it is let in again", "let-in", 10);
        measure("after all", 20);
        going = false;
        threads.shutdown();
        threads.awaitTermination(30, TimeUnit.SECONDS);
        threads.shutdownNow();
        Files.write(acknowledgedFile, acknowledged);
        System.out.println(acknowledged.size() + " events acknowledged");
        TimeUnit.SECONDS.sleep(2);
        call("lost", acknowledgedFile.toString());
        coherent(one, other);
        System.exit(0);
    }

    /** On a busy machine the first pages take their time. */
    private Tablet signedIn(ExecutorService http) throws IOException, InterruptedException {
        for (int attempt = 1; ; attempt++) {
            try {
                Tablet tablet = new Tablet(proxy, http);
                tablet.signIn();
                return tablet;
            } catch (IOException e) {
                if (attempt == SIGN_IN_ATTEMPTS) {
                    throw e;
                }
            }
        }
    }

    private void measure(String name, int seconds) throws InterruptedException {
        phase = new Phase(name);
        TimeUnit.SECONDS.sleep(seconds);
        phase.print();
    }

    private void fault(String name, String command, int seconds) throws IOException, InterruptedException {
        phase = new Phase(name);
        long start = System.nanoTime();
        int code = call(command);
        System.out.printf("  %s: %.1f s%s%n", command, (System.nanoTime() - start) / 1e9, code == 0 ? "" : ", FAILED");
        TimeUnit.SECONDS.sleep(seconds);
        phase.print();
    }

    private int call(String... command) throws IOException, InterruptedException {
        List<String> all = new ArrayList<>(List.of(script));
        all.addAll(List.of(command));
        return new ProcessBuilder(all).inheritIO().start().waitFor();
    }

    /** The page's way: one event at a time, again with the same id until it is taken. */
    private void tell(Tablet tablet, String session) {
        while (going) {
            String id = UUID.randomUUID().toString();
            String body = "{\"id\":\"" + id + "\",\"kind\":\"REP\"}";
            long start = System.nanoTime();
            Phase then = phase;
            while (going) {
                if (answered(tablet, "/sessions/" + session + "/events", body)) {
                    acknowledged.add(id);
                    then.events.add((System.nanoTime() - start) / 1e6);
                    break;
                }
                then.eventErrors.incrementAndGet();
                pause(AGAIN_AFTER_MS);
            }
            pause(EVENT_EVERY_MS);
        }
    }

    private void look(Tablet tablet) {
        while (going) {
            long start = System.nanoTime();
            Phase then = phase;
            try {
                HttpResponse<String> answer = tablet.http().send(tablet.get("/"), HttpResponse.BodyHandlers.ofString());
                if (answer.statusCode() == 200) {
                    then.boards.add((System.nanoTime() - start) / 1e6);
                } else {
                    then.boardErrors.incrementAndGet();
                }
            } catch (IOException e) {
                then.boardErrors.incrementAndGet();
            } catch (InterruptedException e) {
                return;
            }
            pause(BOARD_EVERY_MS);
        }
    }

    private static boolean answered(Tablet tablet, String path, String body) {
        try {
            return tablet.http()
                            .send(tablet.posting(path, "application/json", body), HttpResponse.BodyHandlers.ofString())
                            .statusCode()
                    == 200;
        } catch (IOException e) {
            return false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private void pause(int ms) {
        try {
            TimeUnit.MILLISECONDS.sleep(ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            going = false;
        }
    }

    /** What is told on one instance stands on the board of the other: how long that takes. */
    private static void coherent(String one, String other) throws IOException, InterruptedException {
        ExecutorService http = Executors.newFixedThreadPool(2);
        Tablet here = new Tablet(one, http);
        here.signIn();
        Tablet there = new Tablet(other, http);
        there.signIn();
        Matcher client = Pattern.compile("/clients/(\\d+)\"").matcher(here.page("/board/rows?q="));
        List<Double> took = new ArrayList<>();
        while (client.find() && took.size() < COHERENT_TRIES) {
            String id = client.group(1);
            Matcher visit = Pattern.compile("/visits/(\\d+)/").matcher(here.post("/clients/" + id + "/visit", ""));
            if (!visit.find()) {
                continue;
            }
            TimeUnit.SECONDS.sleep(SETTLES_S);
            String before = row(there, id);
            String answer = "/visits/" + visit.group(1) + "/answers";
            long start = System.nanoTime();
            here.post(answer, "code=BLEEDING&yes=true");
            double ms = 0;
            while (row(there, id).equals(before) && ms < COHERENT_LONGEST_MS) {
                TimeUnit.MILLISECONDS.sleep(20);
                ms = (System.nanoTime() - start) / 1e6;
            }
            took.add((System.nanoTime() - start) / 1e6);
            here.post("/visits/" + visit.group(1) + "/correct", "code=BLEEDING&reason=a+test");
        }
        http.shutdown();
        System.out.printf(
                "an emergency told on one instance stands on the other's board after %.0f ms (worst of %d)%n",
                took.stream().mapToDouble(Double::doubleValue).max().orElse(Double.NaN), took.size());
    }

    /** Her row of the board. */
    private static String row(Tablet by, String client) throws IOException, InterruptedException {
        String rows = by.page("/board/rows?q=");
        int at = rows.indexOf("/clients/" + client + "\"");
        int end = rows.indexOf("</tr>", Math.max(0, at));
        return at < 0 ? "" : rows.substring(at, end < 0 ? rows.length() : end);
    }
}
