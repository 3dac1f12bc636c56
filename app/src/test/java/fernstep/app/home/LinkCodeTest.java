package fernstep.app.home;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What is drawn, read as a camera would. */
class LinkCodeTest {
    private static final int PIXELS_A_MODULE = 4;
    private static final Pattern STROKE = Pattern.compile("M(\\d+) (\\d+)h(\\d+)v1H\\d+z");

    @Test
    void a_camera_reads_the_link_from_what_is_drawn() throws Exception {
        String link = "https://practice.example/home/AbC-123_xyzAbC-123_xyzAbC-123_xyzAbC-1234567";
        LinkCode code = LinkCode.of(link);
        int wide = PIXELS_A_MODULE * code.side();
        int[] pixels = new int[wide * wide];
        Arrays.fill(pixels, 0xFFFFFF);
        Matcher strokes = STROKE.matcher(code.path());
        while (strokes.find()) {
            int from = PIXELS_A_MODULE * Integer.parseInt(strokes.group(1));
            int top = PIXELS_A_MODULE * Integer.parseInt(strokes.group(2));
            int to = from + PIXELS_A_MODULE * Integer.parseInt(strokes.group(3));
            for (int y = top; y < top + PIXELS_A_MODULE; y++) {
                Arrays.fill(pixels, y * wide + from, y * wide + to, 0);
            }
        }
        assertThat(code.path().replaceAll(STROKE.pattern(), "")).isEmpty();
        assertThat(new QRCodeReader()
                        .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(wide, wide, pixels))))
                        .getText())
                .isEqualTo(link);
    }
}
