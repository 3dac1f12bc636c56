package fernstep.app.home;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Map;

/**
 * A link as a square that a phone's camera reads (QR code, ISO/IEC 18004), ready to be drawn.
 *
 * @param side modules, with the quiet zone of four around it
 * @param path the dark modules, one unit each
 */
record LinkCode(int side, String path) {
    private static final int QUIET_ZONE = 4;

    static LinkCode of(String link) {
        try {
            BitMatrix modules = new QRCodeWriter()
                    .encode(
                            link,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(
                                    EncodeHintType.ERROR_CORRECTION,
                                    ErrorCorrectionLevel.M,
                                    EncodeHintType.MARGIN,
                                    QUIET_ZONE));
            return new LinkCode(modules.getWidth(), path(modules));
        } catch (WriterException e) {
            throw new IllegalArgumentException("too long to be drawn: " + link.length() + " characters", e);
        }
    }

    /** Row by row, what is dark side by side in one stroke. */
    private static String path(BitMatrix modules) {
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < modules.getHeight(); y++) {
            int x = 0;
            while (x < modules.getWidth()) {
                int from = x;
                while (x < modules.getWidth() && modules.get(x, y)) {
                    x++;
                }
                if (x > from) {
                    path.append('M')
                            .append(from)
                            .append(' ')
                            .append(y)
                            .append('h')
                            .append(x - from)
                            .append("v1H");
                    path.append(from).append('z');
                }
                x++;
            }
        }
        return path.toString();
    }
}
