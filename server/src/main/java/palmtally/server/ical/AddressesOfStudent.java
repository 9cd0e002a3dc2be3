package palmtally.server.ical;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** At which addresses a student's calendar is read; never what opens them. */
@Component
@Order(2)
class AddressesOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'calendarAddresses' as what, (select jsonb_agg(x)::text from (
                    select name, made_at as "madeAt", read_at as "readAt", revoked_at as "revokedAt" from calendar_address
                    where account_id = #{id} order by made_at) x) as body""")
        List<Part> told(UUID id);
    }

    private final Rows rows;
    private final CalendarAddresses.Rows addresses;

    AddressesOfStudent(Rows rows, CalendarAddresses.Rows addresses) {
        this.rows = rows;
        this.addresses = addresses;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return own ? rows.told(student) : List.of();
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("calendarAddresses", addresses.forget(student));
    }
}
