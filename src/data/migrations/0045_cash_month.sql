ALTER TABLE "account" ADD COLUMN "is_cash" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "account_month" ADD COLUMN "cash_debit" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "account_month" ADD COLUMN "cash_credit" bigint DEFAULT 0 NOT NULL;
--> statement-breakpoint
update account set is_cash = true
 where role in ('drawer', 'cheques', 'bank', 'card-clearing') or id in (select account_id from bank_account);
--> statement-breakpoint
-- What lies across from cash is reckoned once for all of what was posted: at first, and when an account becomes cash.
create function count_across_cash() returns void language sql as $$
  update account_month k
     set cash_debit = coalesce(c.debit, 0), cash_credit = coalesce(c.credit, 0)
    from account_month m
    left join (
      select l.account_id, date_trunc('month', l.on_day)::date as month,
             sum(greatest(l.amount, 0)) as debit, sum(greatest(-l.amount, 0)) as credit
        from entry_line l join account a on a.id = l.account_id
       where not a.is_cash
         and l.entry_id in (select o.entry_id from entry_line o join account c on c.id = o.account_id where c.is_cash)
       group by 1, 2) c on c.account_id = m.account_id and c.month = m.month
   where k.account_id = m.account_id and k.month = m.month
     and (k.cash_debit, k.cash_credit) is distinct from (coalesce(c.debit, 0), coalesce(c.credit, 0));
$$;
--> statement-breakpoint
select count_across_cash();
--> statement-breakpoint
-- The lines of an entry come in one statement, as a rule. Where they do not, and the later ones bring the cash, the earlier ones
-- count from then on.
create or replace function add_to_account_month() returns trigger language plpgsql as $$
begin
  insert into account_month (account_id, month, debit, credit, cash_debit, cash_credit)
    with lines as (
      select l.entry_id, l.account_id, l.on_day, l.amount, a.is_cash, l.id in (select id from added) as is_new
        from entry_line l join account a on a.id = l.account_id
       where l.entry_id in (select entry_id from added)
    ), marked as (
      select l.*, not l.is_cash and bool_or(l.is_cash) over of_entry
                  and (l.is_new or not bool_or(l.is_cash and not l.is_new) over of_entry) as counts
        from lines l window of_entry as (partition by l.entry_id)
    )
    select account_id, date_trunc('month', on_day)::date,
           coalesce(sum(greatest(amount, 0)) filter (where is_new), 0), coalesce(sum(greatest(-amount, 0)) filter (where is_new), 0),
           coalesce(sum(greatest(amount, 0)) filter (where counts), 0), coalesce(sum(greatest(-amount, 0)) filter (where counts), 0)
      from marked where is_new or counts group by 1, 2 order by 1, 2
  on conflict (account_id, month) do update
    set debit = account_month.debit + excluded.debit, credit = account_month.credit + excluded.credit,
        cash_debit = account_month.cash_debit + excluded.cash_debit, cash_credit = account_month.cash_credit + excluded.cash_credit;
  return null;
end $$;
--> statement-breakpoint
-- An account whose statements come is cash. Nobody posts meanwhile: else what they post would be counted by what held before.
create function account_becomes_cash() returns trigger language plpgsql as $$
begin
  if not (select is_cash from account where id = new.account_id) then
    lock table entry_line in share row exclusive mode;
    update account set is_cash = true where id = new.account_id;
    perform count_across_cash();
  end if;
  return null;
end $$;
--> statement-breakpoint
create trigger bank_account_is_cash after insert on bank_account for each row execute function account_becomes_cash();
