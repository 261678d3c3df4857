<h1>ledger</h1>
