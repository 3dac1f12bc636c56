package fernstep.app.transfer;

import fernstep.app.security.SignedIn;
import fernstep.app.support.Words;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.server.ResponseStatusException;

/** The whole house as a folder, for a lead. The page counts the files as they come. */
@Controller
class HouseExportController {
    private static final String HOW_MANY = "X-Clients";

    private final HouseExport export;
    private final Words words;

    HouseExportController(HouseExport export, Words words) {
        this.export = export;
        this.words = words;
    }

    @GetMapping("/house/export")
    String page(@AuthenticationPrincipal SignedIn me, Model model) {
        leadOnly(me);
        model.addAttribute("extent", export.extent(me.staffId()));
        model.addAttribute("therapist", me.isTherapist());
        return "transfer/export";
    }

    @GetMapping("/house/export.zip")
    void folder(@AuthenticationPrincipal SignedIn me, HttpServletResponse response) throws IOException {
        leadOnly(me);
        HouseExport.Extent extent = export.extent(me.staffId());
        response.setContentType("application/zip");
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename("house.zip").build().toString());
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.setHeader(HOW_MANY, String.valueOf(extent.clientIds().size()));
        try {
            export.write(extent.clientIds(), me.staffId(), me.isTherapist(), response.getOutputStream());
        } catch (HouseExport.Busy e) {
            // or the browser would save the page that says so as the folder
            response.reset();
            throw new ResponseStatusException(HttpStatus.CONFLICT, words.text("transfer.exportRuns"), e);
        }
    }

    private static void leadOnly(SignedIn me) {
        if (!me.isLead()) {
            throw new AccessDeniedException("leads only");
        }
    }
}
