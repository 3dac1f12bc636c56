package fernstep.device;

import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace.Sample;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/** Speaks the open protocol (docs/device-protocol.md): pairs by a code, then a line for each packet, at the pace of life. */
public final class Stream implements WebSocket.Listener {
    private static final int ANSWERS_WITHIN_S = 10;
    private static final JsonMapper JSON = new JsonMapper();
    private static final Map<String, String> UNITS = Map.of("CUFF", "mmHg", "RIBS", "relative", "BELLY", "relative");

    private final CompletableFuture<String> paired = new CompletableFuture<>();
    private final CompletableFuture<String> ended = new CompletableFuture<>();
    private final StringBuilder text = new StringBuilder();

    /** The app did not take it, or went. */
    public static final class Refused extends Exception {
        private static final long serialVersionUID = 1L;

        Refused(String why) {
            super(why);
        }
    }

    /**
     * Plays until she has done.
     *
     * @param cutAfterS the connection is lost after so many seconds; null to play to the end
     * @param awayS comes back after so many seconds and goes on; null to stay away
     * @throws Refused where the app does not take it, or goes
     */
    public static void play(
            URI app, String code, Sensor sensor, double rateHz, @Nullable Double cutAfterS, @Nullable Double awayS)
            throws Refused, InterruptedException {
        try {
            Pace pace = new Pace(System.nanoTime(), sensor);
            Stream stream = new Stream();
            WebSocket socket = stream.greet(app, Map.of("code", code, "rateHz", rateHz, "units", UNITS));
            boolean cut = stream.send(socket, pace, cutAfterS);
            if (cut && awayS != null) {
                String again = JSON.readTree(stream.paired.get()).path("again").asString();
                pace.goOnSilently(awayS);
                Stream later = new Stream();
                later.send(later.greet(app, Map.of("again", again)), pace, null);
            }
        } catch (ExecutionException | TimeoutException e) {
            throw new Refused(String.valueOf(
                    e.getCause() == null ? e.getMessage() : e.getCause().getMessage()));
        }
    }

    /** Her packets as they fall due; numbers and times go on whether anybody hears them. */
    private static final class Pace {
        private final long began;
        private final Sensor sensor;
        private long sequence;

        Pace(long began, Sensor sensor) {
            this.began = began;
            this.sensor = sensor;
        }

        Sensor.Packet next() throws InterruptedException {
            Sensor.Packet packet = sensor.packet();
            sequence++;
            long wait = began + (long) (sensor.atS() * 1e9) - System.nanoTime();
            if (wait > 0) {
                TimeUnit.NANOSECONDS.sleep(wait);
            }
            return packet;
        }

        void goOnSilently(double seconds) throws InterruptedException {
            double until = sensor.atS() + seconds;
            while (!sensor.isOver() && sensor.atS() < until) {
                next();
            }
        }
    }

    private WebSocket greet(URI app, Map<String, Object> by)
            throws InterruptedException, ExecutionException, TimeoutException {
        WebSocket socket = HttpClient.newHttpClient()
                .newWebSocketBuilder()
                .buildAsync(app, this)
                .get(ANSWERS_WITHIN_S, TimeUnit.SECONDS);
        Map<String, Object> hello = new LinkedHashMap<>(by);
        hello.put("hello", "fern-trace/1");
        send(socket, hello);
        String answer = paired.get(ANSWERS_WITHIN_S, TimeUnit.SECONDS);
        // what it said lets whoever reads it go on in the recording: it is not printed
        System.out.println(answer.contains("welcome") ? "device: connected" : "device: " + answer);
        return socket;
    }

    /** @return whether the connection was cut */
    private boolean send(WebSocket socket, Pace pace, @Nullable Double cutAfterS)
            throws InterruptedException, ExecutionException, TimeoutException, Refused {
        while (!pace.sensor.isOver()) {
            Sensor.Packet packet = pace.next();
            if (ended.isDone()) {
                throw new Refused(ended.get());
            }
            if (cutAfterS != null && pace.sensor.atS() > cutAfterS) {
                socket.abort();
                return true;
            }
            if (!packet.lost()) {
                send(socket, line(pace.sequence, packet.samples()));
            }
        }
        socket.sendClose(WebSocket.NORMAL_CLOSURE, "done").get(ANSWERS_WITHIN_S, TimeUnit.SECONDS);
        return false;
    }

    private static Map<String, Object> line(long sequence, List<Sample> samples) {
        Map<String, Object> line = new LinkedHashMap<>();
        line.put("seq", sequence);
        line.put("ms", samples.stream().map(Sample::timeMs).toList());
        for (Channel channel : Channel.values()) {
            line.put(
                    channel.name(),
                    samples.stream().map(sample -> sample.values().get(channel)).toList());
        }
        return line;
    }

    private static void send(WebSocket socket, Map<String, Object> line)
            throws InterruptedException, ExecutionException, TimeoutException {
        socket.sendText(JSON.writeValueAsString(line), true).get(ANSWERS_WITHIN_S, TimeUnit.SECONDS);
    }

    @Override
    public @Nullable CompletionStage<?> onText(WebSocket socket, CharSequence part, boolean last) {
        text.append(part);
        if (last) {
            String told = text.toString();
            text.setLength(0);
            if (told.contains("\"refused\"")) {
                paired.completeExceptionally(new Refused(told));
            } else {
                paired.complete(told);
            }
        }
        socket.request(1);
        return null;
    }

    @Override
    public @Nullable CompletionStage<?> onClose(WebSocket socket, int status, String reason) {
        ended.complete("the app closed the stream (" + status + " " + reason + ")");
        paired.completeExceptionally(new Refused("the app closed the stream (" + status + " " + reason + ")"));
        return null;
    }

    @Override
    public void onError(WebSocket socket, Throwable error) {
        ended.complete(String.valueOf(error.getMessage()));
        paired.completeExceptionally(error);
    }
}
