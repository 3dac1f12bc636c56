package fernstep.app.demo;

import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import fernstep.app.trace.Recordings;
import fernstep.device.Performance;
import fernstep.device.Script;
import fernstep.device.Sensor;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Recordings of cuff and belts, played by the stand-in device. */
@Component
class DemoTraces {
    private static final int REPS = 8;
    private static final double HZ = 50;
    private static final double NOISE = 0.03;
    private static final double LOST = 0.01;

    private final Recordings recordings;
    private final Catalogues catalogues;
    private final Today today;

    DemoTraces(Recordings recordings, Catalogues catalogues, Today today) {
        this.catalogues = catalogues;
        this.recordings = recordings;
        this.today = today;
    }

    /** So many days ago, at the tempo of the rung. */
    void record(long client, Script script, int daysAgo, String rung, String title, long staff) {
        Performance she = new Performance(script, catalogues.get().rung(rung).tempo(), REPS, daysAgo);
        recordings.keep(
                UUID.nameUUIDFromBytes(new byte[] {(byte) client, (byte) script.ordinal(), (byte) daysAgo})
                        .toString(),
                client,
                staff,
                title,
                today.date().minusDays(daysAgo).atTime(10, 30),
                new Sensor(she, HZ, NOISE, LOST, daysAgo).whole(),
                she.marks(),
                rung);
    }
}
