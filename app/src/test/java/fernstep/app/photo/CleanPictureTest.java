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
    void the_content_decides_and_not_the_name() throws Exception {
        assertThatThrownBy(() -> CleanPicture.of("<svg onload='x'/>".getBytes(StandardCharsets.UTF_8)))
                .hasMessage("This is not a JPEG or PNG picture.");
        assertThatThrownBy(() -> CleanPicture.of(picture("gif", 10, 10)))
                .hasMessage("Only JPEG and PNG pictures are taken.");
        byte[] cut = Arrays.copyOf(picture("png", 60, 60), 50);
        assertThatThrownBy(() -> CleanPicture.of(cut)).hasMessage("The picture is damaged.");
    }

    @Test
    void more_than_ten_megabytes_are_refused() {
        assertThatThrownBy(() -> CleanPicture.of(new byte[CleanPicture.LARGEST_BYTES + 1]))
                .hasMessage("The picture is larger than 10 MB.");
    }
}
