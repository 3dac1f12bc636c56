package fernstep.app.security;

import fernstep.core.client.Licence;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.validation.BindingResult;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;

/** Sign-in, and the first account of an empty house. */
@Controller
class SignInController {
    private final StaffMapper staff;
    private final PasswordEncoder encoder;
    private final boolean demo;
    private final int passwordLength;

    /** @param passwordLength characters that a password needs at least */
    SignInController(
            StaffMapper staff,
            PasswordEncoder encoder,
            @Value("${fern.demo}") boolean demo,
            @Value("${fern.password-length}") int passwordLength) {
        this.passwordLength = passwordLength;
        this.staff = staff;
        this.encoder = encoder;
        this.demo = demo;
    }

    record FirstAccount(
            @NotBlank @Size(max = 120) String fullName,
            @NotBlank @Pattern(regexp = "[a-z0-9.-]{3,60}") String username,
            @NotBlank @Size(max = 200) String password,
            @NotNull Licence licence) {
        static final FirstAccount EMPTY = new FirstAccount("", "", "", Licence.THERAPIST);
    }

    @ModelAttribute("passwordLength")
    int passwordLength() {
        return passwordLength;
    }

    @GetMapping("/sign-in")
    String signIn(Model model) {
        if (staff.count() == 0) {
            return "redirect:/first-account";
        }
        model.addAttribute("demoAccounts", demo ? staff.all() : java.util.List.of());
        return "security/sign-in";
    }

    @GetMapping("/first-account")
    String firstAccount(Model model) {
        if (staff.count() > 0) {
            return "redirect:/sign-in";
        }
        model.addAttribute("form", FirstAccount.EMPTY);
        return "security/first-account";
    }

    @PostMapping("/first-account")
    String createFirst(@Valid @ModelAttribute("form") FirstAccount form, BindingResult errors) {
        if (staff.count() > 0) {
            return "redirect:/sign-in";
        }
        if (form.password().length() < passwordLength) {
            errors.rejectValue("password", "short");
        }
        if (errors.hasErrors()) {
            return "security/first-account";
        }
        try {
            staff.insert(new Staff(
                    null,
                    form.username(),
                    form.fullName(),
                    encoder.encode(form.password()),
                    form.licence(),
                    true,
                    null,
                    null,
                    null,
                    null));
        } catch (DuplicateKeyException again) {
            return "redirect:/sign-in";
        }
        return "redirect:/sign-in?created";
    }
}
