package fernstep.app.trace;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.run.Runner;
import fernstep.app.support.NotFound;
import fernstep.core.approach.Approach;
import fernstep.core.findings.SignCode;
import fernstep.core.trace.Channel;
import fernstep.core.trace.Samples;
import fernstep.exchange.edf.EdfWriter;
import fernstep.exchange.table.TraceCsv;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Cuff and belts: a device finds its session and no other, strips and proposals beside the mat, the lab, files. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class TracesTest {
    private static final long IMOGEN = 1;
    private static final int HZ = 50;

    private final Running app;
    private final Pairings pairings;
    private final Recordings recordings;
    private final Runner runner;
    private final Visits visits;
    private long client;
    private String session;

    TracesTest(Running app, Pairings pairings, Recordings recordings, Runner runner, Visits visits) {
        this.app = app;
        this.pairings = pairings;
        this.recordings = recordings;
        this.runner = runner;
        this.visits = visits;
    }

    @BeforeEach
    void a_session_of_her_own() {
        client = Someone.firm(app.context(), "Trace Person", Approach.SLOW_LADDER, 14);
        Visit today = visits.openToday(client, IMOGEN);
        visits.markAsked(today.id());
        session = runner.start(today.id(), UUID.randomUUID().toString(), null, IMOGEN);
    }

    /** A device that speaks line by line. */
    private final class Device implements WebSocket.Listener, AutoCloseable {
        private final BlockingQueue<String> told = new LinkedBlockingQueue<>();
        private final WebSocket socket;
        private long sequence;

        Device(String code, String unit) {
            this("\"code\":\"" + code + "\",\"units\":{\"CUFF\":\"" + unit + "\"}", 0);
        }

        /** @param sequence number of the last batch before */
        private Device(String greeting, long sequence) {
            this.sequence = sequence;
            socket = HttpClient.newHttpClient()
                    .newWebSocketBuilder()
                    .buildAsync(URI.create(app.baseUrl().replaceFirst("^http", "ws") + "/device"), this)
                    .join();
            say("{\"hello\":\"fern-trace/1\"," + greeting + "}");
        }

        /** Comes back after its connection was lost. */
        Device again(String token) {
            return new Device("\"again\":\"" + token + "\"", sequence);
        }

        /** Its connection is lost, without a word. */
        void lose() {
            socket.abort();
        }

        void say(String line) {
            socket.sendText(line, true).join();
        }

        String answer() throws InterruptedException {
            return String.valueOf(told.poll(10, TimeUnit.SECONDS));
        }

        /** Ten samples a line. */
        void stream(Samples samples, int from, int to) {
            for (int i = from; i < to; i += 10) {
                int end = Math.min(to, i + 10);
                int begin = i;
                say("{\"seq\":" + ++sequence + ",\"ms\":" + list(begin, end, number -> samples.timeMs(number))
                        + ",\"CUFF\":"
                        + list(begin, end, number -> samples.value(Channel.CUFF, number)) + ",\"RIBS\":"
                        + list(begin, end, number -> samples.value(Channel.RIBS, number)) + "}");
            }
        }

        private static String list(int from, int to, IntToDoubleFunction of) {
            return Arrays.toString(IntStream.range(from, to).mapToDouble(of).toArray());
        }

        @Override
        public CompletionStage<?> onText(WebSocket from, CharSequence text, boolean last) {
            told.add(text.toString());
            from.request(1);
            return null;
        }

        @Override
        public void close() {
            // one that was turned away is closed already
            socket.sendClose(WebSocket.NORMAL_CLOSURE, "")
                    .exceptionally(closed -> socket)
                    .join();
        }
    }

    /** So many seconds of breaths of six seconds; the cuff falls by 15 mmHg from {@code liftS} on for two seconds and a half. */
    private static Samples breathing(double seconds, double liftS) {
        double[] times = IntStream.range(0, (int) (seconds * HZ))
                .mapToDouble(index -> 1000.0 * index / HZ)
                .toArray();
        return new Samples(
                times,
                Map.of(
                        Channel.CUFF,
                        Arrays.stream(times)
                                .map(t -> 40
                                        - (t >= 1000 * liftS && t < 1000 * liftS + 2500 ? 15 : 0)
                                        + 0.3 * Math.sin(0.977 * t))
                                .toArray(),
                        Channel.RIBS,
                        Arrays.stream(times)
                                .map(t -> 10 - Math.cos(Math.PI * t / 3000) / 2 + 0.01 * Math.sin(0.977 * t))
                                .toArray()));
    }

    private long recorded() {
        for (int tries = 0; tries < 200; tries++) {
            List<RecordingRow> all = recordings.ofClient(client);
            if (!all.isEmpty() && all.get(0).endedAt() != null) {
                return all.get(0).id();
            }
            LockSupport.parkNanos(50_000_000L);
        }
        throw new AssertionError("the recording did not end");
    }

    @Test
    void every_value_a_device_sent_is_kept_to_the_last_bit() throws InterruptedException {
        Samples sent = breathing(30, 20);
        try (Device device = new Device(pairings.code(session, IMOGEN), "mmHg")) {
            assertThat(device.answer()).contains("welcome");
            device.stream(sent, 0, sent.size());
        }
        Samples kept = recordings.samples(recorded()).orElseThrow();
        assertThat(kept.times()).containsExactly(sent.times());
        assertThat(kept.line(Channel.CUFF)).containsExactly(sent.line(Channel.CUFF));
        assertThat(kept.line(Channel.RIBS)).containsExactly(sent.line(Channel.RIBS));
    }

    @Test
    void a_code_lets_one_device_into_one_session_once() throws InterruptedException {
        String first = pairings.code(session, IMOGEN);
        String code = pairings.code(session, IMOGEN);
        // each is answered before the next greets: which of two is looked at first is nobody's promise
        try (Device old = new Device(first, "mmHg")) {
            assertThat(old.answer()).as("a newer code was given out").contains("\"refused\":\"CODE\"");
        }
        try (Device one = new Device(code, "mmHg")) {
            assertThat(one.answer()).contains("welcome");
            try (Device again = new Device(code, "mmHg")) {
                assertThat(again.answer()).as("it is used up").contains("\"refused\":\"CODE\"");
            }
            try (Device other = new Device(pairings.code(session, IMOGEN), "mmHg")) {
                assertThat(other.answer()).as("one device is enough").contains("\"refused\":\"BUSY\"");
            }
        }
    }

    @Test
    void of_two_devices_that_come_in_the_same_moment_one_is_let_in() throws LiveStreams.Busy {
        LiveStreams streams = app.context().getBean(LiveStreams.class);
        Pairings.Paired paired = new Pairings.Paired(session, IMOGEN);
        LiveStreams.Connected first = streams.begin(paired, client);
        // it has not said a word yet
        assertThatThrownBy(() -> streams.begin(paired, client)).isInstanceOf(LiveStreams.Busy.class);
        assertThat(streams.of(session)).hasValue(first.stream());
        first.stream().end(first.number());
    }

    /** What is on its way when a connection is lost is lost with it: so many have come before. */
    private void stored(int samples) {
        for (int tries = 0; tries < 200; tries++) {
            List<RecordingRow> all = recordings.ofClient(client);
            if (!all.isEmpty()
                    && recordings.samples(all.get(0).id()).map(Samples::size).orElse(0) >= samples) {
                return;
            }
            LockSupport.parkNanos(50_000_000L);
        }
        throw new AssertionError("the samples did not come");
    }

    private static String againFrom(String welcome) {
        return welcome.replaceAll("(?s).*\"again\":\"([^\"]+)\".*", "$1");
    }

    @Test
    void a_device_whose_connection_was_lost_goes_on_in_the_same_recording() throws InterruptedException {
        Samples sent = breathing(12, 100);
        String token;
        try (Device device = new Device(pairings.code(session, IMOGEN), "mmHg")) {
            token = againFrom(device.answer());
            device.stream(sent, 0, 300);
            stored(251);
            device.lose();
            try (Device back = device.again(token)) {
                assertThat(back.answer()).contains("welcome");
                back.stream(sent, 300, sent.size());
            }
        }
        List<RecordingRow> all = recordings.ofClient(client);
        assertThat(all).hasSize(1);
        Samples kept = recordings.samples(recorded()).orElseThrow();
        // samples are stored fifty at a time: what was on its way went with the connection
        assertThat(kept.size()).isBetween(551, sent.size());
        assertThat(kept.times()).endsWith(Arrays.copyOfRange(sent.times(), 300, sent.size()));
        try (Device late = new Device("\"again\":\"" + token + "\"", 0)) {
            assertThat(late.answer()).as("it is over").contains("\"refused\":\"AGAIN\"");
        }
    }

    @Test
    void after_a_lost_connection_a_new_code_lets_another_device_in_and_the_old_one_out() throws InterruptedException {
        try (Device device = new Device(pairings.code(session, IMOGEN), "mmHg")) {
            String token = againFrom(device.answer());
            device.stream(breathing(2, 100), 0, 60);
            device.lose();
            Device other = letIn();
            assertThat(recordings.ofClient(client)).hasSize(2);
            try (Device late = device.again(token)) {
                assertThat(late.answer()).contains("\"refused\":\"AGAIN\"");
            }
            other.close();
        }
    }

    /** The server sees a lost connection a moment later than it is lost. */
    private Device letIn() throws InterruptedException {
        for (int tries = 0; tries < 100; tries++) {
            Device device = new Device(pairings.code(session, IMOGEN), "mmHg");
            if (device.answer().contains("welcome")) {
                return device;
            }
            LockSupport.parkNanos(50_000_000L);
        }
        throw new AssertionError("nobody was let in");
    }

    @Test
    void a_cuff_in_another_unit_is_turned_away_and_said_why() throws InterruptedException {
        try (Device device = new Device(pairings.code(session, IMOGEN), "kPa")) {
            assertThat(device.answer()).contains("\"refused\":\"UNIT\"").contains("kPa");
        }
        assertThat(recordings.ofClient(client)).isEmpty();
    }

    @Test
    void whatever_a_device_says_the_stream_goes_on() throws InterruptedException {
        Samples sent = breathing(4, 100);
        try (Device device = new Device(pairings.code(session, IMOGEN), "mmHg")) {
            assertThat(device.answer()).contains("welcome");
            for (String odd : List.of(
                    "",
                    "{",
                    "[]",
                    "null",
                    "{\"seq\":\"x\",\"ms\":[1]}",
                    "{\"seq\":1}",
                    "{\"seq\":1.5,\"ms\":[1]}",
                    "{\"seq\":1,\"ms\":{}}",
                    "{\"seq\":0,\"ms\":[\"a\",null,1e400],\"CUFF\":[\"NaN\",{},[]]}")) {
                device.say(odd);
            }
            device.stream(sent, 0, sent.size());
        }
        assertThat(recordings.samples(recorded()).orElseThrow().size()).isEqualTo(sent.size());
    }

    @Test
    void what_a_repetition_showed_is_proposed_taken_by_one_press_and_a_device_that_goes_is_said(Visitor visitor)
            throws InterruptedException {
        Page page = visitor.onATablet("imogen");
        visitor.open("/sessions/" + session);
        page.locator(".runner").waitFor();
        page.waitForFunction("() => Alpine.$data(document.querySelector('[x-data=runner]')).s");
        page.keyboard().press("m");
        page.keyboard().press("9");
        page.waitForFunction("() => /^\\d{6}$/.test(document.querySelector('.pair-code').textContent)");
        visitor.checkAccessible();
        Samples sent = breathing(64, 61);
        Locator word = page.locator(".trace-word strong");
        try (Device device = new Device(page.locator(".pair-code").textContent(), "mmHg")) {
            assertThat(device.answer()).contains("welcome");
            device.stream(sent, 0, sent.size());
            page.waitForFunction(
                    "() => { const r = Alpine.$data(document.querySelector('[x-data=runner]'));"
                            + " return r.strips && r.strips.lastMs === 63980; }",
                    null,
                    new Page.WaitForFunctionOptions().setTimeout(30_000));
            // four seconds ago she began to lift, by the clock of the page
            page.evaluate("() => { const r = Alpine.$data(document.querySelector('[x-data=runner]'));"
                    + " r.liftAt = r.strips.lastAt - 4000; r.primary(); }");
            assertThat(word).hasText("Back arches");
            assertThat(runner.replay(session).exercises().get(0).signs())
                    .as("nothing is marked by itself")
                    .isEmpty();
            double before = frames(page);
            long began = System.nanoTime();
            page.waitForFunction(
                    "n => Alpine.$data(document.querySelector('[x-data=runner]')).strips.frames > n + 60", before);
            System.out.printf(
                    Locale.ROOT,
                    "strips: %.0f frames a second%n",
                    (frames(page) - before) / ((System.nanoTime() - began) / 1e9));
            page.keyboard().press("t");
            assertThat(page.locator(".advice .move:not(.cue):visible")).not().isEmpty();
            page.waitForFunction("() => Alpine.$data(document.querySelector('[x-data=runner]')).queue.length === 0");
            assertThat(runner.replay(session).exercises().get(0).signs()).containsExactly(SignCode.BACK_ARCHES);
        }
        visitor.see("The device has stopped");
        assertThat(page.locator(".advice .move:not(.cue):visible")).isVisible();
        assertThat(recordings.marks(recorded())).hasSize(1);
    }

    private static double frames(Page page) {
        return ((Number) page.evaluate("() => Alpine.$data(document.querySelector('[x-data=runner]')).strips.frames"))
                .doubleValue();
    }

    @Test
    void a_file_is_read_shown_repetition_by_repetition_and_given_back_number_by_number(Visitor visitor)
            throws Exception {
        Samples samples = breathing(40, 21);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/traces");
        visitor.checkAccessible();
        page.setInputFiles(
                "#file",
                new FilePayload(
                        "from-elsewhere.csv", "text/csv", TraceCsv.wide(samples).getBytes(StandardCharsets.UTF_8)));
        page.click("#trace-upload .btn-primary");
        page.waitForURL("**/traces/*");
        assertThat(page.locator("[data-replay]")).hasCount(1);
        page.click("[data-replay]");
        assertThat(page.locator(".overlay .line.shown")).hasCount(1);
        visitor.see("Back arches");
        visitor.see("The middle gives way");
        visitor.checkAccessible();
        assertThat(page.locator(".trace-figure")).hasCount(0);
        page.selectOption("#rung", "F3");
        page.click("text=Read it by this exercise");
        assertThat(page.locator(".trace-figure svg")).isVisible();
        assertThat(page.locator("#rung")).hasValue("F3");
        page.click("[data-replay]");
        assertThat(page.locator("[data-replay]")).hasAttribute("aria-pressed", "true");
        String csv = Files.readString(
                page.waitForDownload(() -> page.click("a[href$='trace.csv']")).path());
        Samples again = TraceCsv.read(csv);
        assertThat(again.times()).containsExactly(samples.times());
        assertThat(again.line(Channel.CUFF)).containsExactly(samples.line(Channel.CUFF));
        page.click("text=Breaths into today");
        page.waitForURL("**/check");
    }

    @Test
    void a_cut_off_file_says_its_byte_and_what_is_whole_is_kept_on_request(Visitor visitor) {
        byte[] whole = EdfWriter.write(LocalDateTime.of(2026, 3, 9, 9, 0), breathing(30, 21), List.of());
        byte[] cut = Arrays.copyOf(whole, whole.length - 50);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/traces");
        page.setInputFiles("#file", new FilePayload("cut.edf", "application/octet-stream", cut));
        page.click("#trace-upload .btn-primary");
        // three signals of 256 bytes behind the header; twenty-nine whole records of 264 bytes
        visitor.see(String.format(Locale.ROOT, "from byte %d on", 1024 + 29 * 264));
        page.check("[name=keepReadable]");
        page.click("#trace-upload .btn-primary");
        page.waitForURL("**/traces/*");
        visitor.see("29 s");
        assertThat(recordings.ofClient(client)).hasSize(1);
    }

    @Test
    void another_client_s_recording_is_not_hers() {
        RecordingRow row = recordings.keep(
                UUID.randomUUID().toString(),
                client,
                IMOGEN,
                "hers",
                LocalDateTime.of(2026, 3, 9, 9, 0),
                breathing(12, 100),
                new ArrayList<>(),
                "");
        long other = Someone.firm(app.context(), "Other Trace Person", Approach.SLOW_LADDER, 14);
        assertThatThrownBy(() -> recordings.row(other, row.id())).isInstanceOf(NotFound.class);
        recordings.sayRung(other, row.id(), "F3", IMOGEN);
        assertThat(recordings.rung(row.id())).isEmpty();
        assertThatThrownBy(() -> recordings.sayRung(client, row.id(), "X99", IMOGEN))
                .isInstanceOf(NotFound.class);
        recordings.sayRung(client, row.id(), "F3", IMOGEN);
        assertThat(recordings.rung(row.id())).contains("F3");
        recordings.remove(other, row.id(), IMOGEN);
        assertThat(recordings.samples(row.id())).isPresent();
        recordings.remove(client, row.id(), IMOGEN);
        assertThat(recordings.samples(row.id())).isEmpty();
    }
}
