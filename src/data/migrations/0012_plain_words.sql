-- Accounts a business was set up with are called in plain words; names the owner gave stay as they are.
update account set name = plain.name from (values
  ('1010', 'Cheques to bank', 'Checks on hand'),
  ('1030', 'Card takings on the way', 'Card payments in transit'),
  ('1100', 'Owed by customers (receivables)', 'Accounts receivable'),
  ('2000', 'Owed to suppliers (payables)', 'Accounts payable'),
  ('2010', 'Goods received, not billed yet', 'Goods received, not invoiced'),
  ('2150', 'Billed ahead of handover', 'Deferred revenue (invoiced, not handed over)'),
  ('2160', 'Installment charges not earned yet', 'Unearned finance charges'),
  ('2200', 'Tax due', 'Sales tax payable'),
  ('3100', 'Taken out by the owner', 'Owner’s drawings'),
  ('3200', 'Earnings of earlier years', 'Retained earnings'),
  ('4100', 'Sales returned', 'Sales returns'),
  ('4210', 'Late charges', 'Late fees'),
  ('6010', 'Light, heat and telephone', 'Utilities and telephone'),
  ('6300', 'Drawer over and short', 'Cash over and short'),
  ('6310', 'Rounding of cash', 'Cash rounding')
) as plain (code, was, name) where account.code = plain.code and account.name = plain.was;
--> statement-breakpoint
update account set name = 'Sales tax payable: ' || substr(name, 10) where role is null and name like 'Tax due: %';
