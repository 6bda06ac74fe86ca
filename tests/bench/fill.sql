-- Ten years of trade: :n sales of three lines, each agreed, handed over, billed and (but for one in two hundred) paid, with ten journal
-- lines; and beside them what is under way: one offer, one order with a deposit held and half a draft for each thousand.
-- Written straight into the tables, triggers off, as fast as the disk takes it; the kept sums are made at the end.
set session_replication_role = replica;
insert into customer (name, since, net_days) select 'Customer ' || g, '2016-01-01', 30 from generate_series(1, 2000) g;
insert into sale (number, customer_id, title, started_on, arrangement, prices_include_tax, agreed_on, stage, total, billed)
  select 1000 + g, 2 + abs(hashint4(g)) % 2000, 'Sale ' || g, d, '{"kind":"terms","net":30}', false, d, case when g % 200 = 0 then 'owing' else 'settled' end, 10825, 10825
    from (select g, date '2016-12-01' + (g::bigint * 3640 / :n)::int as d from generate_series(1, :n) g) s;
insert into sale_line (sale_id, position, kind, description, quantity, unit_price, tax_code_id, income_account_id, agreed, handed_over, billed)
  select sale.id, n, 'work', case n when 0 then 'Work on the body' when 1 then 'Set-up' else 'Strings fitted' end, 1,
         case n when 0 then 60 else 20 end, 1, (select id from account where role = 'work'), 1, 1, 1
    from sale cross join generate_series(0, 2) n order by 1, 2;
insert into handover (number, sale_id, direction, on_day, by)
  select 'H-' || to_char(started_on, 'YYYY') || '-' || lpad(id::text, 6, '0'), id, 'out', started_on, 'counter' from sale;
insert into handover_line (handover_id, sale_line_id, quantity, cost, earned)
  select h.id, l.id, 1, 0, 0 from handover h join sale_line l on l.sale_id = h.sale_id;
insert into entry (on_day, text, source_kind, source_id, sale_id, customer_id)
  select started_on, 'Invoice of sale ' || number, 'invoice', id, id, customer_id from sale
  -- Whoever bought in the last weeks paid sooner: nobody pays after today.
  union all select started_on + least(20, (date '2026-11-25' - started_on) / 2), 'Receipt of sale ' || number, 'receipt', id, id, customer_id from sale where stage = 'settled';
insert into entry_line (entry_id, account_id, on_day, amount)
  select e.id, a.id, e.on_day, v.amount from entry e
    cross join lateral (values ('invoice', 'receivables', 10825), ('invoice', 'work', -5000), ('invoice', 'sales', -5000), ('invoice', 'tax-due', -825), ('invoice', 'cost-of-goods-sold', 400), ('invoice', 'stock', -400),
                               ('receipt', 'bank', 10000), ('receipt', 'card-fees', 825), ('receipt', 'receivables', -10825), ('receipt', 'rounding', 1), ('receipt', 'over-short', -1)) v (kind, role, amount)
    join account a on a.role = v.role where v.kind = e.source_kind;
insert into invoice (kind, status, number, sale_id, customer_id, on_day, net, tax, gross, entry_id)
  select 'invoice', 'issued', to_char(s.started_on, 'YYYY') || '-' || lpad(s.id::text, 6, '0'), s.id, s.customer_id, s.started_on, 10000, 825, 10825, e.id
    from sale s join entry e on e.source_kind = 'invoice' and e.source_id = s.id;
insert into invoice_line (invoice_id, sale_line_id, description, quantity, unit_price, discount_percent, tax_code_id, income_account_id, net, tax)
  select i.id, l.id, l.description, 1, l.unit_price, 0, 1, l.income_account_id, l.unit_price * 100, l.unit_price * 8.25
    from invoice i join sale_line l on l.sale_id = i.sale_id;
insert into invoice_tax (invoice_id, tax_code_id, component_id, net, amount) select id, 1, 1, 10000, 825 from invoice;
insert into due (invoice_id, sale_id, customer_id, issued_on, due_on, amount, filled)
  select i.id, i.sale_id, i.customer_id, i.on_day, i.on_day + 30, 10825, case when s.stage = 'settled' then 10825 else 0 end from invoice i join sale s on s.id = i.sale_id;
insert into receipt (number, customer_id, on_day, method, amount, tendered, entry_id)
  select 'R-' || to_char(e.on_day, 'YYYY') || '-' || lpad(e.source_id::text, 6, '0'), e.customer_id, e.on_day, 'card', 10825, 10825, e.id from entry e where e.source_kind = 'receipt';
insert into due_fill (due_id, on_day, amount, kind, receipt_id, entry_id)
  select d.id, r.on_day, 10825, 'receipt', r.id, r.entry_id from receipt r join entry e on e.id = r.entry_id join due d on d.sale_id = e.sale_id;
insert into sale (number, customer_id, title, started_on, arrangement, prices_include_tax, sent_on, valid_until, agreed_on, wanted_by, stage, total, billed)
  select w.number + g, 2 + abs(hashint4(-g)) % 2000, w.stage || ' ' || g, '2026-11-01', w.terms::jsonb, false,
         case when w.stage <> 'draft' then date '2026-11-02' end, case when w.stage <> 'draft' then date '2026-11-20' + g % 20 end,
         case when w.stage = 'agreed' then date '2026-11-03' end, date '2026-11-20' + g % 20, w.stage, 10825, 0
    from (values ('offered', 700000, 1000, '{"kind":"terms","net":30}'), ('agreed', 750000, 1000, '{"kind":"deposit","percent":"20"}'), ('draft', 800000, 2000, '{"kind":"terms","net":30}')) w(stage, number, per, terms)
    cross join lateral generate_series(1, :n / w.per) g;
insert into sale_line (sale_id, position, kind, description, quantity, unit_price, tax_code_id, income_account_id, agreed)
  select s.id, n, 'work', 'Work to do', 1, case n when 0 then 60 else 20 end, 1, (select id from account where role = 'work'), case when stage = 'agreed' then 1 else 0 end
    from sale s cross join generate_series(0, 2) n where s.number > 700000;
insert into entry (on_day, text, source_kind, source_id, sale_id, customer_id)
  select '2026-11-03', 'Deposit of sale ' || number, 'receipt', id, id, customer_id from sale where number > 700000 and stage = 'agreed';
insert into entry_line (entry_id, account_id, on_day, amount)
  select e.id, a.id, e.on_day, v.amount from entry e cross join lateral (values ('bank', 2165), ('customer-deposits', -2165)) v(role, amount)
    join account a on a.role = v.role where e.text like 'Deposit of sale%';
insert into receipt (number, customer_id, on_day, method, amount, tendered, entry_id)
  select 'R-2026-' || lpad((900000 + e.source_id % 90000)::text, 6, '0'), e.customer_id, e.on_day, 'transfer', 2165, 2165, e.id from entry e where e.text like 'Deposit of sale%';
insert into held_move (customer_id, sale_id, kind, on_day, amount, why, receipt_id, entry_id)
  select e.customer_id, e.sale_id, 'deposit', e.on_day, 2165, 'receipt', r.id, e.id from receipt r join entry e on e.id = r.entry_id where e.text like 'Deposit of sale%';
insert into held (customer_id, sale_id, kind, amount) select customer_id, sale_id, kind, amount from held_move;
insert into number_series (series, year, last)
  select s, y, 999999 from unnest(array['invoice', 'receipt', 'handover']) s cross join generate_series(2016, 2027) y
  union all select 'sale', 0, 999999 on conflict (series, year) do update set last = excluded.last;
update due d set last_on = f.on_day, paid_on = f.on_day from due_fill f where f.due_id = d.id;
insert into tax_month (month, tax_code_id, component_id, net, amount)
  select date_trunc('month', i.on_day)::date, t.tax_code_id, t.component_id, sum(t.net), sum(t.amount) from invoice i join invoice_tax t on t.invoice_id = i.id group by 1, 2, 3;
insert into paper_month (paper, month, count, net, tax, gross)
  select 'invoice', date_trunc('month', on_day)::date, count(*), sum(net), sum(tax), sum(gross) from invoice group by 2
  union all select 'receipt', date_trunc('month', on_day)::date, count(*), 0, 0, sum(amount) from receipt group by 2;
insert into to_bank (receipt_id, method, on_day) select id, method, on_day from receipt where method in ('cheque', 'card');
insert into stage_count (stage, count) select stage, count(*) from sale group by stage;
insert into account_month (account_id, month, debit, credit)
  select account_id, date_trunc('month', on_day)::date, sum(greatest(amount, 0)), sum(greatest(-amount, 0)) from entry_line group by 1, 2;
select count_across_cash();
insert into earned_month (month, sale_id, income, cost)
  select date_trunc('month', l.on_day)::date, e.sale_id, coalesce(sum(-l.amount) filter (where a.kind = 'income'), 0),
         coalesce(sum(l.amount) filter (where a.kind = 'expense'), 0)
    from entry_line l join entry e on e.id = l.entry_id join account a on a.id = l.account_id
   where a.kind = 'income' or (a.kind = 'expense' and starts_with(a.code, '5')) group by 1, 2;
insert into earned_sale (sale_id, income, cost, first_month, last_month)
  select sale_id, sum(income), sum(cost), min(month), max(month) from earned_month group by 1;
set session_replication_role = default;
analyze;
