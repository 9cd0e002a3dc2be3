package palmtally.bench;

import palmtally.server.TestDatabase;

/** A term of the demo with more students in it. */
final class Cohort {
    private Cohort() {}

    /** As many students as that in the school, all in the first term, each of the new ones with what Ana has: taps, awards, evidence. */
    static void grow(TestDatabase database, int students) {
        database.run("""
                do $$
                declare ana uuid; fresh uuid; term uuid; t text;
                begin
                    select id into ana from account where name = 'Ana Quill';
                    select term_id into term from enrolment where account_id = ana;
                    create temp table m on commit drop as select gen_random_uuid() as nid, id from practical where false;
                    for i in (select count(*) + 1 from account where role = 'student')..%d loop
                        fresh := gen_random_uuid();
                        insert into account select (jsonb_populate_record(null::account, to_jsonb(a) || jsonb_build_object('id', fresh,
                            'name', 'Student ' || i, 'sign_in', 'bench' || i, 'sign_in_key', 'bench' || i))).* from account a where id = ana;
                        insert into enrolment values (term, fresh);
                        delete from m;
                        insert into m select gen_random_uuid(), id from practical where student_id = ana and beside is null;
                        insert into practical select (jsonb_populate_record(null::practical,
                            to_jsonb(p) || jsonb_build_object('id', m.nid, 'student_id', fresh))).* from practical p join m using (id);
                        foreach t in array array['event', 'rating', 'award', 'evidence', 'roll_up', 'step_look'] loop
                            execute format('insert into %%1$I overriding user value select (jsonb_populate_record(null::%%1$I, to_jsonb(x)'
                                || ' || jsonb_build_object(''practical_id'', m.nid, ''student_id'', $1))).*'
                                || ' from %%1$I x join m on m.id = x.practical_id', t) using fresh;
                        end loop;
                    end loop;
                end $$""".formatted(students));
    }
}
