<h1>trip</h1>
