package fernstep.app.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CleanPictureTest {
    private static byte[] picture(String format, int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), format, out);
        return out.toByteArray();
    }

    /** A JPEG with a comment segment right after its start, as a camera would put place and time. */
    private static byte[] withComment(byte[] jpeg, String comment) {
        byte[] text = comment.getBytes(StandardCharsets.US_ASCII);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.write(0xFF);
        out.write(0xFE);
        out.write((text.length + 2) >> 8);
        out.write((text.length + 2) & 0xFF);
        out.writeBytes(text);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    @Test
    void whatever_the_file_carried_besides_its_pixels_is_left_behind() throws Exception {
        byte[] tagged = withComment(picture("jpeg", 40, 30), "taken at 12 Harbour Lane");
        assertThat(new String(tagged, StandardCharsets.ISO_8859_1)).contains("Harbour Lane");
        byte[] clean = CleanPicture.of(tagged).jpeg();
        assertThat(new String(clean, StandardCharsets.ISO_8859_1)).doesNotContain("Harbour");
        assertThat(ImageIO.read(new ByteArrayInputStream(clean)).getWidth()).isEqualTo(40);
    }

    @Test
    void a_png_becomes_a_jpeg_of_at_most_1600_pixels() throws Exception {
        CleanPicture p = CleanPicture.of(picture("png", 3200, 1000));
        assertThat(p.widthPx()).isEqualTo(1600);
        assertThat(p.heightPx()).isEqualTo(500);
        assertThat(Arrays.copyOf(p.jpeg(), 2)).containsExactly(0xFF, 0xD8);
    }

    @Test
    void more_than_thirty_megapixels_are_refused_before_they_are_read_and_a_large_photo_is_made_small()
            throws Exception {
        ByteArrayOutputStream huge = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(6000, 5001, BufferedImage.TYPE_BYTE_BINARY), "png", huge);
        assertThatThrownBy(() -> CleanPicture.of(huge.toByteArray())).hasMessage("photo.tooManyPixels");
        ByteArrayOutputStream large = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(6000, 4000, BufferedImage.TYPE_BYTE_BINARY), "png", large);
        CleanPicture small = CleanPicture.of(large.toByteArray());
        assertThat(small.widthPx()).isEqualTo(1600);
        assertThat(small.heightPx()).isEqualTo(1067);
    }

    @Test
    void the_content_decides_and_not_the_name() throws Exception {
        assertThatThrownBy(() -> CleanPicture.of("<svg onload='x'/>".getBytes(StandardCharsets.UTF_8)))
                .hasMessage("photo.notAPicture");
        assertThatThrownBy(() -> CleanPicture.of(picture("gif", 10, 10))).hasMessage("photo.otherKind");
        byte[] cut = Arrays.copyOf(picture("png", 60, 60), 50);
        assertThatThrownBy(() -> CleanPicture.of(cut)).hasMessage("photo.damaged");
    }

    @Test
    void more_than_ten_megabytes_are_refused() {
        assertThatThrownBy(() -> CleanPicture.of(new byte[CleanPicture.LARGEST_BYTES + 1]))
                .hasMessage("photo.tooLarge");
    }

    /** A JPEG with the mark a camera sets when it is held on its side (Exif tag 0x0112). */
    private static byte[] turned(byte[] jpeg, int turn) {
        byte[] exif = {
            'E',
            'x',
            'i',
            'f',
            0,
            0,
            'M',
            'M',
            0,
            42,
            0,
            0,
            0,
            8,
            0,
            1,
            0x01,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            (byte) turn,
            0,
            0,
            0,
            0,
            0,
            0
        };
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.write(0xFF);
        out.write(0xE1);
        out.write((exif.length + 2) >> 8);
        out.write((exif.length + 2) & 0xFF);
        out.writeBytes(exif);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    /** 40 wide and 30 high, the top left corner red. */
    private static byte[] cornerRed() throws IOException {
        BufferedImage image = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 16; x++) {
            for (int y = 0; y < 16; y++) {
                image.setRGB(x, y, 0xFF0000);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);
        return out.toByteArray();
    }

    private static boolean red(BufferedImage image, int x, int y) {
        return (image.getRGB(x, y) >> 16 & 0xFF) > 150;
    }

    @ParameterizedTest
    @CsvSource({"1, 40, 30, 6, 6", "3, 40, 30, 33, 23", "6, 30, 40, 23, 6", "8, 30, 40, 6, 33"})
    void a_photo_taken_with_the_camera_on_its_side_stands_upright(int turn, int width, int height, int redX, int redY)
            throws Exception {
        BufferedImage clean = ImageIO.read(new ByteArrayInputStream(
                CleanPicture.of(turned(cornerRed(), turn)).jpeg()));
        assertThat(clean.getWidth()).isEqualTo(width);
        assertThat(clean.getHeight()).isEqualTo(height);
        assertThat(red(clean, redX, redY)).isTrue();
        assertThat(red(clean, width - 1 - redX, height - 1 - redY)).isFalse();
    }
}
