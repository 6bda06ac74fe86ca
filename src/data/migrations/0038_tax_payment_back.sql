-- What was filed stays as it was filed; its payment is written down once, and may be taken back.
create or replace function refuse_filed_change() returns trigger language plpgsql as $$
begin
  if old.filed_on is not null and (tg_op = 'DELETE' or (old.paid_on is not null and new.paid_on is not null)
     or (new.from_day, new.through, new.basis, new.filed_on, new.rows, new.last_entry_id)
        is distinct from (old.from_day, old.through, old.basis, old.filed_on, old.rows, old.last_entry_id)) then
    raise exception 'a filed return does not change' using errcode = 'restrict_violation';
  end if;
  if tg_op = 'DELETE' then return old; end if;
  return new;
end $$;
