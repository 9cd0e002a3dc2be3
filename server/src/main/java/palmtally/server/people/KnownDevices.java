package palmtally.server.people;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;

/** On which devices somebody signed in before: they carry a cookie that means nothing but that. */
@Component
class KnownDevices {
    private static final String COOKIE = "palm-device";
    private static final Duration KEPT = Duration.ofDays(365);
    /** Of one account: whoever comes by a new one each time is known on the latest. */
    private static final int MOST = 20;

    @Mapper
    interface Rows {
        @Select("""
                select exists (select 1 from known_device d join account a on a.id = d.account_id
                               where d.token = #{token} and a.sign_in_key = #{signIn})""")
        boolean belongs(String token, String signIn);

        @Insert("""
                insert into known_device (token, account_id, used_at) values (#{token}, #{account}, #{at})
                on conflict (token) do update set account_id = #{account}, used_at = #{at}""")
        void keep(String token, UUID account, Instant at);

        @Delete("""
                delete from known_device where account_id = #{account} and token not in
                (select token from known_device where account_id = #{account} order by used_at desc, token limit #{most})""")
        void forgetBefore(UUID account, int most);

        @Delete("delete from known_device where account_id = #{account}")
        void forget(UUID account);
    }

    private final Rows rows;
    private final Clock clock;

    KnownDevices(Rows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** The device a request comes from, where this sign-in was used on it before; else null. */
    @Nullable
    String of(HttpServletRequest request, String signIn) {
        var token = token(request);
        return token != null && rows.belongs(Passwords.hash(token), SignInName.key(signIn))
                ? Passwords.hash(token)
                : null;
    }

    /** Remembers that somebody signed in on the device a request comes from. */
    void keep(HttpServletRequest request, HttpServletResponse response, UUID account) {
        var token = token(request);
        if (token == null) token = Passwords.word(40);
        rows.keep(Passwords.hash(token), account, clock.instant());
        rows.forgetBefore(account, MOST);
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, token)
                        .path("/api/session")
                        .maxAge(KEPT)
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Lax")
                        .build()
                        .toString());
    }

    /** No device is known of an account any more. */
    void forget(UUID account) {
        rows.forget(account);
    }

    private static @Nullable String token(HttpServletRequest request) {
        if (request.getCookies() == null) return null;
        for (Cookie c : request.getCookies())
            if (c.getName().equals(COOKIE) && c.getValue().matches("[a-z0-9]{40}")) return c.getValue();
        return null;
    }
}
