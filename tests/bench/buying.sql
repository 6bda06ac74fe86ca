-- Ten years of buying: 200 suppliers, 10,000 orders of three lines that came and were billed, 20,000 bills by account, all but 300 paid;
-- 300 orders are still to come, 400 things fell to their reorder point.
set session_replication_role = replica;
insert into supplier (name, iban) select 'Supplier ' || g, 'GB82WEST12345698765432' from generate_series(1, 200) g;
insert into goods_supplier (goods_id, supplier_id, pack_size, unit_cost) select id, 1 + id % 200, 6, 5 from goods where kind = 'stock';
update goods set reorder_at = 100 where id in (select id from goods where kind = 'stock' order by id limit 400);
insert into purchase_order (number, supplier_id, on_day, wanted_by, sent_on)
  select 'O-' || g, 1 + g % 200, d, d + 14, d
    from (select g, date '2016-12-01' + (g * 3640 / 10000) as d from generate_series(1, 10000) g) s;
insert into purchase_order_line (order_id, position, goods_id, description, quantity, unit_cost, net, received, billed)
  select o.id, n, (select min(id) from goods where kind = 'stock') + (o.id * 7 + n * 13) % 10000, 'Thing', 6, 5, 3000,
         case when o.id > 9700 then 0 else 6 end, case when o.id > 9700 then 0 else 6 end
    from purchase_order o cross join generate_series(0, 2) n;
insert into goods_received (number, supplier_id, order_id, on_day, place_id)
  select 'G-' || id, supplier_id, id, on_day + 9, 1 from purchase_order where id <= 9700;
insert into goods_received_line (received_id, order_line_id, goods_id, quantity, unit_cost, value, billed, billed_value)
  select r.id, l.id, l.goods_id, 6, 5, 3000, 6, 3000 from goods_received r join purchase_order_line l on l.order_id = r.order_id;
insert into bill (number, supplier_id, their_number, on_day, due_on, net, tax, gross, filled, entry_id)
  select 'I-' || g, 1 + g % 200, 'T-' || g, d, d + 30, 9000, 0, 9000, case when g > 29700 then 0 else 9000 end, 1
    from (select g, date '2016-12-01' + (g::bigint * 3640 / 30000)::int as d from generate_series(1, 30000) g) s;
insert into bill_line (bill_id, position, received_line_id, account_id, description, quantity, unit_cost, net, tax, cleared)
  select 1 + (l.received_id - 1) % 10000, l.id % 3, l.id, (select id from account where role = 'received-not-billed'), 'Thing', 6, 5, 3000, 0, 3000
    from goods_received_line l;
insert into bill_line (bill_id, position, account_id, description, quantity, unit_cost, net, tax)
  select id, 0, (select id from account where code = '6000'), 'Rent', 1, 90, 9000, 0 from bill where id > 10000;
insert into supplier_payment (number, supplier_id, on_day, account_id, amount, entry_id)
  select 'E-' || id, supplier_id, on_day + 25, (select id from account where role = 'bank'), 9000, 1 from bill where filled > 0;
insert into bill_fill (bill_id, on_day, kind, amount, payment_id, entry_id)
  select b.id, b.on_day + 25, 'payment', 9000, p.id, 1 from bill b join supplier_payment p on p.number = 'E-' || b.id;
insert into cost_share (entry_id, goods_id, sale_line_id, amount)
  select e.id, null, l.id, 10 from entry e join sale_line l on l.sale_id = e.sale_id where e.source_kind = 'invoice' and e.id % 50 = 0;
set session_replication_role = default;
analyze
